package org.oddlantern.bench;

import java.io.IOException;
import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.io.entity.EntityUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The same work by hand, with the same HTTP client and JSON mapper. */
final class HandwrittenSide {

  private HandwrittenSide() {}

  /**
   * Starts here.
   *
   * @param arguments none
   * @throws IOException if the work cannot be done
   */
  public static void main(String[] arguments) throws IOException {
    JsonMapper mapper = JsonMapper.builder().build();
    try (CloseableHttpClient client = HttpClients.createDefault()) {
      for (int id = 0; id < Workload.exchanges(); id++) {
        int wanted = id;
        client.execute(
            new HttpGet(Workload.address() + "/hives/" + id),
            response -> check(response, wanted, mapper));
      }
    }
    Cost.print();
  }

  private static boolean check(ClassicHttpResponse response, int id, JsonMapper mapper)
      throws IOException {
    require(response.getCode() == 200, "the status is " + response.getCode());
    JsonNode body = mapper.readTree(EntityUtils.toByteArray(response.getEntity()));
    require(body.path("id").asInt() == id, "the id is " + body.path("id"));
    require(body.path("label").asString().equals("Foxglove"), "the label is " + body.path("label"));
    return true;
  }

  private static void require(boolean holds, String otherwise) {
    if (!holds) {
      throw new AssertionError(otherwise);
    }
  }
}
