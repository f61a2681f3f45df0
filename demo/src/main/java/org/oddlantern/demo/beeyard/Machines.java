package org.oddlantern.demo.beeyard;

import io.javalin.config.RoutesConfig;
import io.javalin.http.Context;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.util.Base64;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/** What is not asked by keepers but by machines: scales, weather stations, the gate. */
record Machines(Store store, Set<Fault> faults) {

  private static final String STATION_KEY = "station-4-honeydew";
  private static final String SCALE_KEY = "scale-9-bramble-wax";
  private static final String GATE = "gate:latch-and-hinge";

  void addTo(RoutesConfig routes) {
    routes.get("/api/weather", this::weather);
    routes.post("/api/scales/{id}", this::weigh);
    routes.post("/api/token", this::token);
    routes.get("/api/gate", this::gate);
    routes.get("/api/status", this::status);
  }

  /** A key in a header or in the query. */
  private void weather(Context context) {
    String key = Optional.ofNullable(context.header("X-Station-Key"))
        .orElseGet(() -> String.valueOf(context.queryParam("key")));
    if (!key.equals(STATION_KEY)) {
      throw Refusal.notSignedIn("the key of the weather station is wrong");
    }
    context.json(Map.of(
        "temperature", 21.5, "wind", faults.contains(Fault.WIND_UNKNOWN) ? "zephyr" : "calm"));
  }

  /** A body signed with a shared key. */
  private void weigh(Context context) {
    if (!signature(context.body()).equals(context.header("X-Signature"))) {
      throw Refusal.notSignedIn("the signature does not fit the body");
    }
    context.status(202);
  }

  private static String signature(String body) {
    try {
      Mac mac = Mac.getInstance("HmacSHA256");
      mac.init(new SecretKeySpec(SCALE_KEY.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
      return HexFormat.of().formatHex(mac.doFinal(body.getBytes(StandardCharsets.UTF_8)));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("every JDK has HmacSHA256, but: " + e.getMessage(), e);
    }
  }

  /** The client credentials grant of OAuth 2 (RFC 6749, section 4.4). */
  private void token(Context context) {
    if (!isGate(context) || !"client_credentials".equals(context.formParam("grant_type"))) {
      context.status(401).json(Map.of("error", "invalid_client"));
      return;
    }
    context.json(
        Map.of("access_token", store.newToken("wren"), "token_type", "Bearer", "expires_in", 3600));
  }

  private void gate(Context context) {
    if (!isGate(context)) {
      throw Refusal.notSignedIn("the gate opens with its own user and password");
    }
    context.json(Map.of("gate", "open"));
  }

  private static boolean isGate(Context context) {
    String expected = Base64.getEncoder().encodeToString(GATE.getBytes(StandardCharsets.UTF_8));
    return ("Basic " + expected).equals(context.header("Authorization"));
  }

  private void status(Context context) {
    context.json(Map.of("asked", context.ip(), "hives", store.hives().size()));
  }
}
