package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** What the archive of classes is trained with: nobody sees its output, so a plan that is refused would stay unknown. */
class TrainedTest {

  @Test
  void everyCaseOfTheTrainingRunsAndOneFails() throws Exception {
    Path folder = Shell.emptyFolder();
    new Training(folder).run();

    String summary = Files.readString(folder.resolve("out/summary.md"));
    assertTrue(summary.contains("**5 of 6 cases passed, 1 failed.**"), summary);
    assertTrue(Files.exists(folder.resolve("out/again/report/index.html")));
  }
}
