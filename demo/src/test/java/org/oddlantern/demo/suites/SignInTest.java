package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.json.Secret;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Tagged;

/** Keepers sign in; whoever does not is refused. */
@Tagged("smoke")
public class SignInTest {

  /** What a signed-in keeper carries; other suites take it. */
  public record Session(Secret token) {}

  /** The same of the other keeper. */
  public record NeighbourSession(Secret token) {}

  private final Service beeyard;

  SignInTest(Environment env) {
    beeyard = env.service("beeyard");
  }

  @Case("a keeper signs in and gets a token")
  Session signIn() {
    return new Session(tokenOf("wren", "honey-and-thyme"));
  }

  @Case("the neighbour signs in and gets a token")
  NeighbourSession neighbourSignsIn() {
    return new NeighbourSession(tokenOf("alder", "smoke-and-willow"));
  }

  @Case("a wrong password is refused")
  void wrongPassword() {
    beeyard
        .send(Call.post("/sign-in").json(Map.of("keeper", "wren", "password", "clover-and-lime")))
        .must(
            status(401),
            contentType("application/problem+json"),
            header("WWW-Authenticate", "Bearer"),
            at("$.token", missing()),
            at("$.detail", "keeper or password is wrong"));
  }

  @Case("whoever has not signed in sees no hives")
  void withoutToken() {
    beeyard.send(Call.get("/hives")).must(status(401), at("$.items", missing()));
  }

  private Secret tokenOf(String keeper, String password) {
    return beeyard
        .send(Call.post("/sign-in")
            .json(Map.of("keeper", keeper, "password", password))
            .named("sign in"))
        .must(status(200), at("$.keeper", keeper), at("$.token", anyText()))
        .valueAt("$.token", Secret.class);
  }
}
