package org.oddlantern.dist.sweep;

import static org.oddlantern.check.Checks.*;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Credentials;
import org.oddlantern.http.GraphQl;
import org.oddlantern.http.Part;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.json.Secret;
import org.oddlantern.program.Program;
import org.oddlantern.standin.Answer;
import org.oddlantern.standin.Observed;
import org.oddlantern.standin.StandIn;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;

/**
 * Cases that carry secrets in every place where one can stand; run by {@code SecretSweepIT}, which looks
 * for them in all output. The service answers with what it was sent, in several encodings.
 */
public class SecretPlacesTest {

  /** What must never be seen: with quotes, slashes, signs and letters that are escaped differently. */
  static final String ODD = "Zq\"9/\\&<+ s3cr%t-été";

  static final String PLAIN = "tok-Zq9f0lkvWm3X7aPp";
  static final String VARIABLE = "env-Kd83hLq0Vx2Nn5Tt";
  static final String IN_FILE = "file-Rr4Wm1Cz8Ys6Jb0";
  static final String FETCHED = "fetched-Uu7Gg2Hh5Ll9";
  static final String RENEWED = "renewed-Bb3Dd6Ff1Ee8";
  static final String LATE = "late-Ww4Qq8Nn2Cc6Tt0";
  static final String ESCAPED = "esc+Pp5Mm1Ll9Kk3/Jj7";
  static final String SHORT_COOKIE = "ck7Zb";
  static final String NAMED = "named-Oo5Ii4Uu3Yy2";

  record SignIn(String keeper, Secret password) {}

  record Told(Secret token) {}

  private final Service api;

  SecretPlacesTest(Environment env) {
    api = env.service("sweep");
  }

  @Case
  void fromAVariable() {
    api.send(Call.get("/echo")).must(status(201));
  }

  /** A sample that holds a secret as plain text, and with it the name and the title of its case. */
  record Sampled(int number, String token) {}

  @Samples
  static List<Sampled> sampled() {
    return List.of(new Sampled(1, String.valueOf(System.getenv("SWEEP_TOKEN"))));
  }

  @Case("{token} is refused")
  void inASample(Sampled sample) {
    api.send(Call.post("/echo").undoneBy(reply -> Call.delete("/echo/{id}", sample.token())))
        .must(status(201));
  }

  @Case
  void fromAFile(Environment env) {
    env.service("filed").send(Call.get("/echo")).must(status(201));
  }

  @Case
  void onTheOtherSideOfTheService() {
    try (StandIn neighbour = StandIn.open().named("neighbour")) {
      neighbour.answering(
          "POST /{place}", asked -> Answer.of(200).header("X-Named", NAMED).json(asked.json()));
      Service near = api.movedTo(neighbour.url());
      Reply reply = near.send(Call.post("/{place}", ODD).json(new SignIn("wren", Secret.of(ODD))));
      reply.must(status(200));
      neighbour.asked("POST /{place}").must(at("$[0].body.password", ODD), size(2));
    }
    Observed.of("a letter", Map.of("text", "your password is " + ODD)).must(empty());
  }

  @Case
  void inWhatAProgramSays() {
    Program.of("sh", "-c", "echo \"the password is $PASSWORD\"; exit 1")
        .with("PASSWORD", Secret.of(ODD))
        .startedUntilSaying("ready", Duration.ofSeconds(10));
  }

  @Case
  void inEveryKindOfCall() {
    Secret odd = Secret.of(ODD);
    api.send(Call.post("/echo").json(new SignIn("wren", odd))).must(at("$.a", ODD));
  }

  @Case
  void inAnAddress() {
    api.credentials(Credentials.keyInQuery("key", Secret.of(ODD)))
        .send(Call.get("/echo/{id}", Secret.of(PLAIN)).query("other", Secret.of(ODD)))
        .must(status(201));
  }

  @Case
  void inFormsAndParts() {
    Secret odd = Secret.of(ODD);
    api.send(Call.post("/echo").form("key", odd)).must(status(201));
    api.send(Call.post("/echo")
            .part("key", Part.text(odd))
            .part("json", Part.json(Map.of("k", odd))))
        .must(status(201));
  }

  @Case
  void inBasicCredentialsAndCookies() {
    api.credentials(Credentials.basic("wren", Secret.of(ODD)))
        .send(Call.get("/echo").cookie("session", Secret.of(PLAIN)))
        .must(status(201));
  }

  @Case
  void inQueriesAndText() {
    Secret.of(ODD);
    api.send(Call.post("/echo").graphQl(GraphQl.text("{a}").variable("v", Secret.of(PLAIN))))
        .must(status(201));
    api.send(Call.post("/echo").text(ODD)).must(status(201));
    api.send(
            Call.post("/echo").xml("<a>" + ODD.replace("&", "&amp;").replace("<", "&lt;") + "</a>"))
        .must(status(201));
  }

  @Case
  void fetchedAndRenewed() {
    Service guarded = api.credentials(Credentials.fetchedBy(
        Call.post("/token").json(Map.of("password", Secret.of(PLAIN))), "$.token"));
    guarded.send(Call.get("/guarded")).must(status(299));
  }

  @Case
  void named() {
    api.send(Call.post("/named")
            .header("X-Named", NAMED)
            .json(Map.of("pin", "p7", "password", NAMED)))
        .must(at("$.password", "other"), at("$.pin", "x"), status(201));
  }

  @Case
  void splitOverChunks() {
    Secret.of(PLAIN);
    api.send(Call.get("/chunks")).must(status(201));
  }

  @Case
  void takenBack() {
    api.send(
            Call.post("/echo").undoneBy(reply -> Call.delete("/status/500/{id}", Secret.of(PLAIN))))
        .must(status(200));
  }

  @Case
  void inADatabase(Environment env) {
    env.database("store")
        .row(
            "select cast(? as varchar) as given, cast(? as varchar) as echo, 'xyz' as password",
            Secret.of(ODD),
            "sent with " + PLAIN)
        .must(at("$.given", "another"), at("$.echo", missing()), at("$.password", NAMED));
  }

  @Case
  void cutInPieces() {
    Secret.of(PLAIN);
    String around = "x".repeat(190);
    api.send(Call.post("/cut").text(around + PLAIN + around))
        .must(
            at("$.cut", around + "tok-Zq9f0lkvWm3X_other" + around),
            at("$.cut", textMatching(".*Zq9f0lkvWm3X7aP")),
            body(Map.of("cut", around + PLAIN)));
  }

  /** Nobody knows yet that it is one; a later case is given it. */
  @Case
  void printedBeforeItWasKnown() {
    System.out.println("{\"t\":\"" + LATE + "\"}");
    api.send(Call.post("/echo").text("late " + LATE)).must(status(201));
  }

  @Case
  void writtenWithEscapes() {
    Secret.of(ESCAPED);
    api.send(Call.get("/escaped")).must(status(201));
  }

  @Case
  void keptAsBytes() {
    Secret.of(PLAIN);
    keep(
        "bytes",
        "application/octet-stream",
        ("\u0001" + PLAIN + "\u0002").getBytes(StandardCharsets.UTF_8));
    api.send(Call.get("/cookie")).must(status(201));
    api.send(Call.get("/echo")).must(status(201));
  }

  @Case
  void knownAtLast() {
    api.bearer(Secret.of(LATE)).send(Call.get("/echo")).must(status(201));
  }

  @Case
  void thrown() {
    throw new IllegalStateException("the token is " + Secret.of(ODD).reveal());
  }

  @Case
  void printed() {
    Secret.of(ODD);
    System.out.println("printing " + ODD);
    System.err.println("printing "
        + Base64.getEncoder().encodeToString(("xx" + ODD).getBytes(StandardCharsets.UTF_8)));
    api.send(Call.get("/echo")).must(status(200));
  }

  @Case("a header that is not there")
  Told titled() {
    Secret.of(PLAIN);
    api.send(Call.get("/nowhere/" + PLAIN)).must(header("X-Missing", PLAIN));
    return new Told(Secret.of(PLAIN));
  }
}
