package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.json.Secret;
import org.oddlantern.suite.Case;
import org.oddlantern.testing.TestService;

/** The command line that repeats a call whose body is no word for a command line. */
class RepeatTest {

  private static final String LONG = "it's \"ö\" ".repeat(200);
  private static final byte[] BYTES = {0, 1, 2, (byte) 0xff, 10, 0};

  @TempDir
  Path folder;

  @AutoClose
  private final TestService service = new TestService();

  @Test
  void theBodyIsSentFromAFileAsItWas() throws IOException {
    Path file = folder.resolve("journal.jsonl");
    Trial trial;
    try (JournalWriter writer = new JournalWriter(file)) {
      trial = Trial.of(service, List.of("RepeatedTest"), writer);
    }
    // the console knows the name before the file is written
    assertEquals(
        sent(trial, "aLong").sentFile().name(), read(file, "aLong").sentFile().name());
    assertSent("{\"a\":\"" + LONG.replace("\"", "\\\"") + "\"}", file, "aLong");
    assertArrayEquals(BYTES, bytes(file, read(file, "bytes")));
    // the same bytes lie there once
    assertEquals(read(file, "aLong").sentFile(), read(file, "again").sentFile());
    assertEquals("plain text\n", read(file, "textAsBytes").requestBody().text());
  }

  @Test
  void aSecretLiesInNoFileAndAShortOrHarmlessBodyNeedsNone() throws IOException {
    Path file = folder.resolve("journal.jsonl");
    try (JournalWriter writer = new JournalWriter(file)) {
      Trial.of(service, List.of("RepeatedTest"), writer);
    }
    for (String one : List.of("secret", "secretBytes", "passed", "textAsBytes")) {
      assertNull(read(file, one).sentFile(), one);
    }
    String line = read(file, "secret").curl(folder);
    assertTrue(line.contains("'\"$PASSWORD\"'") || line.contains("'\"$SECRET\"'"), line);
    try (var files = Files.list(folder.resolve("bodies"))) {
      for (Path one : files.toList()) {
        String text = Files.readString(one, StandardCharsets.ISO_8859_1);
        assertFalse(text.contains("clover-and-rye"), one + "");
      }
    }
  }

  private void assertSent(String wanted, Path file, String one) throws IOException {
    ExchangeRecord read = read(file, one);
    assertEquals(wanted, new String(bytes(file, read), StandardCharsets.UTF_8));
    String line = read.curl(Path.of("out put"));
    assertTrue(line.contains(" --data-binary '@out put/" + read.sentFile().name() + "' "), line);
  }

  private static byte[] bytes(Path file, ExchangeRecord one) throws IOException {
    return Files.readAllBytes(file.resolveSibling(one.sentFile().name()));
  }

  private static ExchangeRecord sent(Trial trial, String one) {
    return trial.one(one).exchanges().get(0);
  }

  private static ExchangeRecord read(Path file, String one) throws IOException {
    List<ExchangeRecord> found = new ArrayList<>();
    new Journal(file).read(event -> {
      if (event instanceof RunEvent.CaseFinished finished
          && finished.record().id().endsWith("#" + one)) {
        found.addAll(finished.record().exchanges());
      }
    });
    return found.get(0);
  }

  /** Calls of which all but one go wrong. */
  static final class RepeatedTest {
    private final Service api;

    RepeatedTest(Environment environment) {
      api = environment.service("api");
    }

    @Case
    void aLong() {
      api.send(Call.post("/echo").json(Map.of("a", LONG))).must(status(204));
    }

    @Case
    void again() {
      api.send(Call.put("/echo").json(Map.of("a", LONG))).must(status(204));
    }

    @Case
    void passed() {
      api.send(Call.post("/echo").json(Map.of("a", LONG))).must(status(200));
    }

    @Case
    void bytes() {
      api.send(Call.post("/things").bytes(BYTES, "application/octet-stream")).must(status(204));
    }

    @Case
    void textAsBytes() {
      byte[] text = "plain text\n".getBytes(StandardCharsets.UTF_8);
      api.send(Call.post("/things").bytes(text, "application/octet-stream")).must(status(204));
    }

    @Case
    void secret() {
      Secret password = Secret.of("clover-and-rye");
      api.send(Call.post("/echo").json(Map.of("a", LONG, "password", password))).must(status(204));
    }

    @Case
    void secretBytes() {
      byte[] bytes = "\0clover-and-rye\0".getBytes(StandardCharsets.UTF_8);
      Service secret = api.bearer(Secret.of("clover-and-rye"));
      secret.send(Call.post("/x").bytes(bytes, "application/octet-stream")).must(status(204));
    }
  }
}
