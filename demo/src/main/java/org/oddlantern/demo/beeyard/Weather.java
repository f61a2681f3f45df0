package org.oddlantern.demo.beeyard;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Asks the weather service what it will be like.
 *
 * @param address where it is; empty if nobody is asked
 */
record Weather(String address) {

  private static final Duration PATIENCE = Duration.ofMillis(800);
  private static final HttpClient CLIENT = HttpClient.newBuilder()
      .version(HttpClient.Version.HTTP_1_1)
      .connectTimeout(PATIENCE)
      .build();

  /**
   * Whether it rains.
   *
   * @param plot where
   * @param trace the trace of the request for which it is asked, which is passed on; null if there is none
   * @return {@code dry}, {@code rain}, or {@code unasked}
   * @throws Unknown if it cannot be found out
   */
  String at(String plot, @Nullable String trace) throws Unknown {
    if (address.isEmpty()) {
      return "unasked";
    }
    HttpRequest.Builder request = HttpRequest.newBuilder(
            URI.create(address + "/forecast/" + plot.replace(" ", "%20")))
        .header("Accept", "application/json")
        .timeout(PATIENCE);
    if (trace != null) {
      request.header("traceparent", trace);
    }
    try {
      HttpResponse<String> reply =
          CLIENT.send(request.build(), HttpResponse.BodyHandlers.ofString());
      if (reply.statusCode() != 200) {
        throw new Unknown("answered " + reply.statusCode());
      }
      return rain(reply.body()) ? "rain" : "dry";
    } catch (IOException e) {
      throw new Unknown("did not answer");
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Unknown("was not waited for");
    }
  }

  private static boolean rain(String body) throws Unknown {
    try {
      JsonNode rain = JsonMapper.shared().readTree(body).path("rain");
      if (rain.isBoolean()) {
        return rain.booleanValue();
      }
    } catch (JacksonException e) {
      // said below
    }
    throw new Unknown("answered nonsense");
  }

  /** The weather is not known, and why. */
  static final class Unknown extends Exception {
    private static final long serialVersionUID = 1L;

    Unknown(String why) {
      super("the weather service " + why);
    }
  }
}
