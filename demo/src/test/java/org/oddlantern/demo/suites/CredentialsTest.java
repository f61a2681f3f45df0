package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.util.HexFormat;
import java.util.Map;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Content;
import org.oddlantern.http.Credentials;
import org.oddlantern.http.Service;
import org.oddlantern.json.Secret;
import org.oddlantern.suite.Case;

/** Every way to prove who is calling, and the deliberate lack of it; {@code docs/calls.md} shows them. */
public class CredentialsTest {

  private final Service beeyard;

  CredentialsTest(Environment env) {
    beeyard = env.service("beeyard");
  }

  @Case("the gate opens with a user and a password")
  void basic() {
    var gate = beeyard.credentials(Credentials.basic("gate", Secret.of("latch-and-hinge")));
    gate.send(Call.get("/gate")).must(status(200));
    gate.send(Call.get("/gate").anonymously()).must(status(401));
  }

  @Case("the weather station has a key")
  void keys() {
    var key = Secret.of("station-4-honeydew");
    beeyard
        .credentials(Credentials.keyInHeader("X-Station-Key", key))
        .send(Call.get("/weather"))
        .must(status(200));
    beeyard
        .credentials(Credentials.keyInQuery("key", key))
        .send(Call.get("/weather"))
        .must(status(200));
    beeyard.send(Call.get("/weather").header("X-Station-Key", key)).must(status(200));
  }

  @Case("a token is fetched when it is needed")
  void fetched() {
    var signIn = Call.post("/sign-in")
        .json(Map.of("keeper", "wren", "password", Secret.of("honey-and-thyme")))
        .named("sign in");
    var keeper = beeyard.credentials(Credentials.fetchedBy(signIn, "$.token"));
    keeper.send(Call.get("/hives")).must(status(200));
    keeper.anonymously().send(Call.get("/hives")).must(status(401));
  }

  @Case("a machine gets its token by client credentials")
  void clientCredentials(Environment env) {
    env.service("gate").send(Call.get("/hives")).must(status(200));
  }

  @Case("the vault opens for keepers who show a certificate, over HTTP/2")
  void clientCertificate(Environment env) {
    env.service("vault")
        .send(Call.get("/jars"))
        .must(status(200), at("$.keeper", "keeper"), at("$.version", "HTTP/2.0"));
    env.service("vault")
        .trusting("certificates/vault.pem")
        .clientCertificate("certificates/keeper.pem", "certificates/keeper-key.pem")
        .send(Call.get("/jars"))
        .must(status(200), at("$.jars", 144));
  }

  @Case("a browser's session lives in a cookie")
  void session() {
    beeyard
        .send(Call.post("/session")
            .form("keeper", "wren")
            .form("password", Secret.of("honey-and-thyme"))
            .named("sign in by the form"))
        .must(status(200), cookie("beeyard-session"));
    beeyard.send(Call.get("/session")).must(status(200), at("$.keeper", "wren"));
    beeyard.send(Call.get("/session").anonymously()).must(status(401));
    beeyard
        .send(Call.get("/session").cookie("beeyard-session", "not-one-of-ours"))
        .must(status(401));
    beeyard.send(Call.delete("/session")).must(status(204), noBody());
  }

  @Case("a scale signs what it says")
  void signature() {
    var scale =
        beeyard.beforeSending(request -> request.with("X-Signature", signed(request.body())));
    scale.send(Call.post("/scales/4").json(Map.of("kilograms", 41.5))).must(status(202));
    beeyard.send(Call.post("/scales/4").json(Map.of("kilograms", 41.5))).must(status(401));
  }

  private static String signed(Content body) {
    try {
      Mac mac = Mac.getInstance("HmacSHA256");
      mac.init(
          new SecretKeySpec("scale-9-bramble-wax".getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
      return HexFormat.of().formatHex(mac.doFinal(body.bytes()));
    } catch (GeneralSecurityException | java.io.IOException e) {
      throw new IllegalStateException("the body could not be signed: " + e, e);
    }
  }
}
