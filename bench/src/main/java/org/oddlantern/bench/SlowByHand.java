package org.oddlantern.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.core5.http.io.entity.EntityUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The calls of {@link SlowTest} by hand, in as many threads as the other side has lanes. */
final class SlowByHand {

  private SlowByHand() {}

  /**
   * Starts here.
   *
   * @param arguments how many threads
   * @throws Exception if the work cannot be done
   */
  public static void main(String[] arguments) throws Exception {
    int threads = Integer.parseInt(arguments[0]);
    JsonMapper mapper = JsonMapper.builder().build();
    ExecutorService pool = Executors.newFixedThreadPool(threads);
    long start = System.nanoTime();
    try (CloseableHttpClient client = HttpClients.custom()
        .setConnectionManager(PoolingHttpClientConnectionManagerBuilder.create()
            .setMaxConnPerRoute(threads)
            .setMaxConnTotal(threads)
            .build())
        .build()) {
      List<Future<?>> calls = new ArrayList<>();
      for (int i = 0; i < Workload.exchanges(); i++) {
        int id = i;
        calls.add(pool.submit(() ->
            client.execute(new HttpGet(Workload.address() + "/hives/" + id), response -> {
              JsonNode body = mapper.readTree(EntityUtils.toByteArray(response.getEntity()));
              if (response.getCode() != 200 || body.path("id").asInt() != id) {
                throw new IllegalStateException("hive " + id + ": " + response.getCode());
              }
              return true;
            })));
      }
      for (Future<?> call : calls) {
        call.get();
      }
    }
    pool.shutdown();
    System.out.println(SuiteSide.WORD + (System.nanoTime() - start) / 1_000);
  }
}
