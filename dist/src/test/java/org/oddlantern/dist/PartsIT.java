package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.RunEvent;

/** A run dealt to three processes at once, and joined again. */
class PartsIT {

  @TempDir
  Path folder;

  @Test
  void threePartsOfTheDemoMakeTheWhole() throws Exception {
    Command command = Command.in(folder);
    List<Command.Running> parts = new ArrayList<>();
    for (int part = 1; part <= 3; part++) {
      parts.add(command.started("demo", "--part", part + "/3", "--out", "parts/" + part));
    }
    for (Command.Running part : parts) {
      Command.Output ended = part.ended();
      assertEquals(0, ended.status(), ended.out() + ended.err());
    }
    List<String> asked = new ArrayList<>();
    for (int part = 1; part <= 3; part++) {
      cases("parts/" + part).stream()
          .filter(one -> !one.marks().contains(Mark.NEEDED))
          .map(CaseRecord::id)
          .forEach(asked::add);
    }
    assertEquals(0, command.run("demo", "--out", "whole").status());
    List<String> whole = cases("whole").stream().map(CaseRecord::id).sorted().toList();
    assertEquals(whole, asked.stream().sorted().toList(), "none twice, none lost");

    Command.Output joined = command.run("report", "parts", "--out", "joined");
    assertEquals(0, joined.status(), joined.out() + joined.err());
    assertTrue(joined.out().startsWith("joined    3 journals\ntogether  "), joined.out());
    assertEquals(whole, cases("joined").stream().map(CaseRecord::id).sorted().toList());

    Files.delete(folder.resolve("parts/3/journal.jsonl"));
    Command.Output incomplete = command.run("report", "parts", "--out", "short");
    assertEquals(1, incomplete.status());
    assertTrue(incomplete.out().contains("problem   part 3 of 3 is missing: "), incomplete.out());
    assertTrue(Files.readString(folder.resolve("short/report/index.html"))
        .contains("part 3 of 3 is missing"));

    Command.Output same = command.run("report", "parts/1", "parts/2", "--out", "parts/1");
    assertEquals(2, same.status());
    assertTrue(
        same.err()
            .startsWith("odd-lantern: the joined journal would replace parts/1/journal.jsonl"),
        same.err());
    assertEquals(2, command.run("report", "nowhere").status());
  }

  private List<CaseRecord> cases(String run) throws IOException {
    List<CaseRecord> cases = new ArrayList<>();
    TreeSet<String> known = new TreeSet<>();
    new Journal(folder.resolve(run).resolve("journal.jsonl")).read(event -> {
      if (event instanceof RunEvent.CaseFinished finished
          && finished.record().counts()
          && known.add(finished.record().id())) {
        cases.add(finished.record());
      }
    });
    return cases;
  }
}
