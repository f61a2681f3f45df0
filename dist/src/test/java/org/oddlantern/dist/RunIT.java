package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.Set;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.demo.beeyard.Beeyard;

/** {@code run} and {@code list} on compiled suites, against a beeyard that keeps running. */
class RunIT {

  private static Beeyard beeyard;

  @TempDir
  Path folder;

  @BeforeAll
  static void start() throws SQLException {
    beeyard = Beeyard.start(0, 0, Set.of());
  }

  @AfterAll
  static void stop() {
    beeyard.close();
  }

  @BeforeEach
  void settings() throws IOException {
    Files.writeString(folder.resolve("odd-lantern.yaml"), """
        environment: nowhere
        environments:
          nowhere: { services: { beeyard: { url: "http://127.0.0.1:1" } } }
          here:
            services:
              beeyard: { url: "%1$s" }
              gate:
                url: "%1$s"
                clientCredentials: { tokenUrl: /token, clientId: gate, clientSecret: latch-and-hinge }
              vault:
                url: "%2$s"
                trust: certificates/vault.pem
                clientCertificate: { certificate: certificates/keeper.pem, key: certificates/keeper-key.pem }
            databases:
              store: { url: "%3$s", user: beeyard, password: fennel-and-dill }
          visitors: { readOnly: true, services: { beeyard: { url: "%1$s" } } }
        """.formatted(
            beeyard.address(), beeyard.vaultAddress(), beeyard.databaseAddress()));
  }

  @Test
  void runsAJarAgainAndAgain() throws Exception {
    for (int i = 0; i < 2; i++) {
      Command.Output output = run("--env", "here");
      assertEquals(0, output.status(), output.out());
      assertTrue(output.out().contains("\n131 passed in "), output.out());
    }
  }

  @Test
  void runsWhatIsSelectedAndWhatThatNeeds() throws Exception {
    Command.Output output =
        run("--env", "here", "--case", "HiveRegisterTest#readBack", "--case", "*cannot rename*");
    assertEquals(0, output.status(), output.out());
    assertTrue(output.out().contains("a keeper registers a hive  (needed)"), output.out());
    assertTrue(output.out().contains("\n5 passed in "), output.out());
    assertTrue(output.out().contains("1 thing put back, 0 left behind"), output.out());
  }

  @Test
  void repeatsFreshValuesWithTheirSeed() throws Exception {
    String label =
        label(run("--env", "here", "--case", "HiveRegisterTest#register", "--seed", "s1"));
    assertEquals(
        label, label(run("--env", "here", "--case", "HiveRegisterTest#register", "--seed", "s1")));
  }

  @Test
  void aServiceThatDoesNotListenIsToldOnceForEachCaseThatCallsIt() throws Exception {
    Command.Output output = run("--case", "HiveRegisterTest");
    assertEquals(1, output.status(), output.out());
    assertTrue(
        output
            .out()
            .contains(
                "nothing accepts connections at 127.0.0.1:1; start the service or correct its address"),
        output.out());
    assertTrue(output.out().contains("\n1 errored, 9 blocked in "), output.out());
    assertTrue(
        Pattern.compile(
                "(?m)^blocked   9 cases: SignInTest#\\w+ errored, so its value is missing: '")
            .matcher(output.out())
            .find(),
        output.out());
    assertEquals(1, output.out().split("(?m)^blocked", -1).length - 1, "in one line");
    String xml = Files.readString(folder.resolve(
        "odd-lantern-out/junit-xml/TEST-org.oddlantern.demo.suites.HiveRegisterTest.xml"));
    assertTrue(xml.contains("errors=\"0\" skipped=\"9\""), xml.substring(0, 400));
  }

  @Test
  void theEnvironmentComesFromTheVariableUnlessItIsNamed() throws Exception {
    Command.Output output = Command.in(folder)
        .with("ODD_LANTERN_ENV", "here")
        .run("run", jar("-tests.jar"), "--class-path", jar("0.jar"), "--case", "SignInTest");
    assertEquals(0, output.status(), output.out());
    assertTrue(output.out().contains("environment here"), output.out());
  }

  @Test
  void listsSuitesCasesAndWhatTheyTakeAndGive() throws Exception {
    Command.Output output =
        Command.in(folder).run("list", jar("-tests.jar"), "--class-path", jar("0.jar"));
    assertEquals(0, output.status(), output.err());
    assertTrue(output.out().contains("""
            HiveRegisterTest
              register          a keeper registers a hive
                                takes Session
                                gives HiveId
            """), output.out());
    assertTrue(output.out().contains("takes Session, HiveId and uses it up\n"), output.out());
  }

  @Test
  void failsOnWhatItIsAskedTo() throws Exception {
    Files.writeString(
        folder.resolve("odd-lantern.yaml"),
        "environment: a\nenvironments: { a: { services: {} } }\n");
    Path classes = Sources.compile(
        folder,
        "LaxTest",
        "public class LaxTest { @org.oddlantern.suite.Case(\"says nothing\") void lax() {} }");
    assertEquals(0, Command.in(folder).run("run", classes.toString()).status());
    Command.Output strict =
        Command.in(folder).run("run", classes.toString(), "--fail-on", "warned,unproven");
    assertEquals(1, strict.status());
    assertTrue(
        strict.out().contains("\nstrict    1 unproven, and --fail-on unproven was asked\n"),
        strict.out());
  }

  @Test
  void tellsWhatAPathFinds() throws Exception {
    Files.writeString(
        folder.resolve("hives.json"), "{\"hives\": [{\"id\": 1}, {\"id\": 2, \"a'b\": [true]}]}");
    Command.Output found = Command.in(folder).run("path", "$.hives[?@.id > 1].*", "hives.json");
    assertEquals(
        "$['hives'][1]['id']  2\n$['hives'][1]['a\\'b']  [true]\n", found.out(), found.err());
    assertEquals(0, found.status());
    Command.Output nothing = Command.in(folder).run("path", "$.hive[0]", "hives.json");
    assertEquals(
        "nothing: the path ends at $, which is an object with hives; did you mean 'hives'?\n",
        nothing.out());
    assertEquals(1, nothing.status());
  }

  private Command.Output run(String... options) throws Exception {
    String[] words = new String[options.length + 4];
    words[0] = "run";
    words[1] = jar("-tests.jar");
    words[2] = "--class-path";
    words[3] = Command.demoLibraries();
    System.arraycopy(options, 0, words, 4, options.length);
    return Command.in(folder).run(words);
  }

  private String label(Command.Output output) throws IOException {
    assertEquals(0, output.status(), output.out());
    String journal = Files.readString(folder.resolve("odd-lantern-out/journal.jsonl"));
    return journal.replaceAll("(?s).*\\\\\"label\\\\\":\\\\\"(hive-\\w+)\\\\\".*", "$1");
  }

  private static String jar(String ending) throws IOException {
    return Command.demoJar(ending).toString();
  }
}
