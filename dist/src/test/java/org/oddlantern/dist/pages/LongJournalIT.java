package org.oddlantern.dist.pages;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.dist.Command;

/** Reports of journals that are larger than the memory they are made in. */
class LongJournalIT {

  @TempDir
  Path folder;

  @Test
  void theReportsOfJoinedJournalsTellEverythingInLittleMemory() throws Exception {
    HostileRun.heavy(folder.resolve("1/journal.jsonl"), "Yard", 2_200);
    HostileRun.heavy(folder.resolve("2/journal.jsonl"), "Orchard", 2_200);
    Command.Output output = Command.in(folder)
        .with("ODD_LANTERN_OPTS", "-Xmx48m")
        .run("report", "1", "2", "--out", "out", "--har");
    assertEquals(0, output.status(), output.out() + output.err());
    assertTrue(Files.size(folder.resolve("out/journal.jsonl")) > 64_000_000);
    assertTrue(
        output.out().contains("together  4,356 of 4,400 cases passed, 44 failed."), output.out());
    String page = Files.readString(folder.resolve("out/report/suite-23-Yard0Test.html"));
    for (String part : new String[] {
      "note 7 of Yard", "wanted 5", "&#34;notes&#34;: &#34;Yard7 Yard7", "note 8 of Yard"
    }) {
      assertTrue(page.contains(part) || page.contains(part.replace("&#34;", "\"")), part);
    }
    assertTrue(Files.readString(folder.resolve("out/report/index.html"))
        .contains("<span class=\"word\">44 cases</span>"));
    assertTrue(
        Files.readString(folder.resolve("out/junit-xml/TEST-org.fennelhill.Orchard3Test.xml"))
            .contains("http://127.0.0.1/notes/307"));
    assertTrue(Files.size(folder.resolve("out/exchanges.har")) > 64_000_000);
  }
}
