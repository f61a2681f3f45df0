package org.oddlantern.bench;

import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.core5.http.io.entity.EntityUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One call by hand: the least that a program with this client and this mapper costs. */
final class OneByHand {

  private OneByHand() {}

  /**
   * Starts here.
   *
   * @param arguments none
   * @throws Exception if the work cannot be done
   */
  public static void main(String[] arguments) throws Exception {
    try (CloseableHttpClient client = HttpClients.createDefault()) {
      JsonNode body = client.execute(
          new HttpGet(Workload.address() + "/hives/7"),
          response ->
              JsonMapper.builder().build().readTree(EntityUtils.toByteArray(response.getEntity())));
      if (body.path("id").asInt() != 7) {
        throw new IllegalStateException("got " + body);
      }
    }
    System.out.println("passed");
  }
}
