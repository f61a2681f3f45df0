package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.Environment;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.http.Call;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.internal.AgreedReplies.State;
import org.oddlantern.internal.record.AgreedRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Secret;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;
import org.oddlantern.testing.TestService;

/** Replies that are held against what was agreed on. */
class AgreedTest {

  private static final String TOKEN = "meadow-2718/28";
  private static final String FOLDER = "agreed/org.oddlantern.scenario.AgreedTest/EchoTest/";
  private static volatile String body = "";
  private static volatile String type = "application/json";

  @TempDir
  private Path folder;

  @AutoClose
  private final TestService service = new TestService();

  @BeforeEach
  void settings() throws IOException {
    type = "application/json";
    Files.writeString(
        folder.resolve(Settings.FILE),
        "environments: { here: { services: { api: { url: \"" + service.address() + "\" } } } }\n"
            + "mask: [ \"$.pin\" ]\n");
  }

  @Test
  void jsonIsTheSameWhateverTheOrderOfItsMembers() throws IOException {
    body = "{\"id\":7,\"label\":\"Foxglove\"}";
    CaseRecord fresh = run("echoed");
    assertEquals("failed", fresh.word());
    Finding nothing = finding(fresh);
    assertEquals("as agreed on in " + FOLDER + "echoed.json", nothing.wanted());
    assertEquals("nothing is agreed on yet; this was received: " + body, nothing.got());
    assertEquals(List.of("'odd-lantern agree' shows it and writes the file"), nothing.hints());
    assertEquals(body, came(fresh, State.NEW));

    agreed("echoed.json", "{ \"label\": \"Foxglove\",\r\n \"id\": 7.0 }\r\n");
    CaseRecord same = run("echoed");
    assertEquals("passed", same.word());
    assertEquals(State.SAME, same.agreed().get(0).state());
    assertNull(same.agreed().get(0).octets());

    body = "{\"id\":8,\"label\":\"Foxglove\",\"more\":null}";
    CaseRecord other = run("echoed");
    List<Finding> findings = other.exchanges().get(0).verdicts().get(0).findings();
    assertEquals(
        List.of("$.id 7.0 8", "$.more no such field null"),
        findings.stream()
            .map(one -> one.where() + " " + one.wanted() + " " + one.got())
            .toList());
    assertEquals(body, came(other, State.DIFFERS));
  }

  @Test
  void placesThatMayDifferAreAskedByTheirShapes() throws IOException {
    agreed("open.json", "{\"id\":7,\"items\":[{\"at\":\"x\",\"n\":1},{\"at\":\"y\",\"n\":2}]}");
    body =
        "{\"id\":12,\"items\":[{\"at\":\"2026-05-13\",\"n\":1},{\"at\":\"2026-05-14\",\"n\":2}]}";
    CaseRecord open = run("open");
    assertEquals("passed", open.word());
    assertEquals(
        List.of("$.id", "$.items[*].at", "$.gone"), open.agreed().get(0).open());
    for (Map.Entry<String, String> wrong : new TreeMap<>(Map.of(
            body.replace("12", "\"12\""), "$.id",
            body.replace("2026-05-14", "2026-05-40"), "$.items[1].at",
            body.replace("\"n\":2", "\"n\":3"), "$.items[1].n",
            body.replace("\"id\":12,", ""), "$.id",
            body.replace("\"id\"", "\"gone\":1,\"id\""), "$.gone"))
        .entrySet()) {
      body = wrong.getKey();
      CaseRecord failed = run("open");
      assertEquals("failed", failed.word(), body);
      assertEquals(wrong.getValue(), finding(failed).where(), body);
    }
  }

  @Test
  void whatIsMaskedIsAgreedOnAsMasked() throws IOException {
    body = "{\"token\":\"" + TOKEN + "\",\"pin\":12345,\"x\":1}";
    String masked = "{\"token\":\"***\",\"pin\":\"***\",\"x\":1}";
    CaseRecord fresh = run("secret");
    assertEquals(masked, came(fresh, State.NEW));
    agreed("secret.json", masked);
    assertEquals("passed", run("secret").word());
    body = body.replace("12345", "99999");
    assertEquals("passed", run("secret").word());
    body = body.replace("\"x\":1", "\"x\":\"***\"");
    assertEquals("failed", run("secret").word());
  }

  @Test
  void xmlTextAndBytesAreComparedInTheirOwnWays() throws IOException {
    type = "application/xml";
    body = "<hives><hive id='4'/></hives>";
    agreed("echoed.xml", "<hives>\n  <hive id=\"4\"></hive>\n</hives>\n");
    assertEquals("passed", run("echoed").word());
    body = "<hives><hive id='5'/></hives>";
    assertEquals("/hives/hive/@id", finding(run("echoed")).where());

    type = "text/plain; charset=utf-8";
    body = "two\nlines";
    CaseRecord fresh = run("echoed");
    assertTrue(
        finding(fresh).hints().get(0).startsWith("what is agreed on is XML, in echoed.xml"),
        finding(fresh)::toString);
    agreed("echoed.txt", "two\r\nlines\r\n");
    assertEquals("passed", run("echoed").word());
    body = "two\nlimes";
    assertEquals("body", finding(run("echoed")).where());

    type = "application/octet-stream";
    body = "a";
    agreed(
        "echoed.digest",
        "application/octet-stream, 1 bytes, SHA-256 ca978112ca1bbdcafac231b39a23dc4da786eff8147c4e72b9807785afee48bb\n");
    assertEquals("passed", run("echoed").word());
    body = "b";
    assertEquals("failed", run("echoed").word());
    assertTrue(finding(run("open")).wanted().startsWith("JSON, since but("));
  }

  @Test
  void eachReplyOfACaseHasANameButTriesOfOneHaveOne() throws IOException {
    body = "{\"a\":1}";
    agreed("twice.json", body);
    Finding taken = finding(run("twice"), 1);
    assertEquals(
        "another reply of this case has asked for " + FOLDER + "twice before", taken.got());
    agreed("named.json", body);
    agreed("named.sent.json", body);
    agreed("named.after-the-change.json", body);
    assertEquals("passed", run("named").word());
    agreed("tried.json", "{\"a\":1,\"path\":\"/things/1\"}");
    assertEquals("failed", run("tried").word());
    assertEquals(1, run("tried").agreed().size());
  }

  @Test
  void samplesAndNamesHaveFilesThatEveryFileSystemTakes() throws IOException {
    body = "1";
    assertEquals(
        List.of(FOLDER + "sampled-B-17.json", FOLDER + "sampled-Old-Straw.json"),
        trial("sampled").cases().stream()
            .flatMap(one -> one.agreed().stream())
            .map(AgreedRecord::file)
            .sorted()
            .toList());
    assertEquals(
        List.of(
            FOLDER + "odd._x_y-" + hash("?x/y") + ".json",
            FOLDER + "odd." + "x".repeat(60) + "-" + hash("x".repeat(61)) + ".json"),
        run("odd").agreed().stream().map(AgreedRecord::file).toList());
  }

  @Test
  void whatCannotBeReadIsSaidWithItsFile() throws IOException {
    body = "{}";
    agreed("echoed.json", "{\n \"a\": ");
    Finding broken = finding(run("echoed"));
    assertEquals("the file " + FOLDER + "echoed.json", broken.where());
    assertEquals("what was agreed on, as JSON", broken.wanted());
    assertEquals("it ends in the middle, in line 2, column 7", broken.got());
    Reply reply = Service.reachedAt(service.address()).send(Call.get("/a"));
    assertTrue(asAgreed().examine(reply).get(0).got().contains("belongs to no case"));
    assertEquals(
        "asAgreed(\"x\").but(\"$.id\", a whole number)",
        asAgreed("x").but("$.id", wholeNumber()).words());
  }

  private static String hash(String name) {
    return String.format("%08x", name.hashCode());
  }

  private void agreed(String name, String text) throws IOException {
    Path file = folder.resolve(FOLDER + name);
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
  }

  private CaseRecord run(String method) {
    return trial(method).one(method);
  }

  private Trial trial(String method) {
    Settings settings = SettingsFile.find(folder, AgreedTest.class.getClassLoader());
    return Trial.on(settings, settings.environment(null), List.of("EchoTest#" + method));
  }

  private static Finding finding(CaseRecord one) {
    return finding(one, 0);
  }

  private static Finding finding(CaseRecord one, int exchange) {
    return one.exchanges().get(exchange).verdicts().get(0).findings().get(0);
  }

  private static String came(CaseRecord one, State state) {
    AgreedRecord agreed = one.agreed().get(0);
    assertEquals(state, agreed.state());
    return new String(agreed.octets().bytes(), StandardCharsets.UTF_8);
  }

  static class EchoTest {
    private final Service api;

    EchoTest(Environment environment) {
      api = environment.service("api");
    }

    private Reply echo() {
      return api.send(Call.post("/echo").bytes(body.getBytes(StandardCharsets.UTF_8), type));
    }

    record Named(String name) {}

    @Samples
    static List<Named> names() {
      return List.of(new Named("Old Straw"), new Named("B-17"));
    }

    @Case("echoed")
    void echoed() {
      echo().must(asAgreed());
    }

    @Case("open")
    void open() {
      echo()
          .must(asAgreed()
              .but("$.id", wholeNumber())
              .but("$.items[*].at", date())
              .but("$.gone", missing()));
    }

    @Case("secret")
    void secret() {
      Secret.of(TOKEN);
      api.send(Call.get("/a").bearer(Secret.of(TOKEN)));
      echo().must(asAgreed());
    }

    @Case("twice")
    void twice() {
      echo().must(asAgreed());
      echo().must(asAgreed());
    }

    @Case("named")
    void named() {
      Reply first = echo();
      first.must(asAgreed());
      first.must(asAgreed()).warnUnless(asAgreed());
      first.sent().must(asAgreed("sent"));
      first.sent().must(asAgreed("sent"));
      echo().must(asAgreed("after the change"));
    }

    @Case("tried")
    void tried() {
      eventually(Duration.ofMillis(300), () -> api.send(Call.get("/things/2")).must(asAgreed()));
    }

    @Case("odd")
    void odd() {
      gatherFailures(() -> {
        echo().must(asAgreed("?x/y"));
        echo().must(asAgreed("x".repeat(61)));
      });
    }

    @Case("sampled {name}")
    void sampled(Named named) {
      echo().must(asAgreed());
    }
  }
}
