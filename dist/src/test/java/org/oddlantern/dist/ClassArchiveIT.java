package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The archive of classes that makes the command start faster, and nothing else. */
class ClassArchiveIT {

  @TempDir
  private Path folder;

  @Test
  void isMadeOnceBesideTheCommandAndUsedFromThenOn() throws Exception {
    Command command = caching("a cache").with("ODD_LANTERN_ARCHIVE", "on").with("CI", "true");
    Command.Output first = command.run("--help");
    for (int i = 0; i < 600 && (kept().isEmpty() || kept().toString().contains("making")); i++) {
      Thread.sleep(100);
    }
    assertEquals(1, kept().size(), kept()::toString);

    Path loaded = folder.resolve("loaded.txt");
    Command.Output again =
        command.with("ODD_LANTERN_OPTS", "-Xlog:class+load:file=" + loaded).run("--help");
    assertEquals(first, again);
    assertEquals("", again.err());
    assertTrue(
        Files.readString(loaded).contains("org.oddlantern.cli.Main source: shared objects file"));
    assertEquals(1, kept().size(), "and no other is made");
  }

  @Test
  void isNotMadeInAPipelineNorWhereItIsNotWanted() throws Exception {
    assertEquals(0, caching("a").with("CI", "true").run("--version").status());
    assertEquals(
        0, caching("b").with("ODD_LANTERN_ARCHIVE", "off").run("--version").status());
    assertTrue(kept().isEmpty(), kept()::toString);
    assertFalse(Files.exists(folder.resolve("b")));
  }

  private Command caching(String name) {
    return Command.in(folder)
        .with("XDG_CACHE_HOME", folder.resolve(name).toString())
        .with("ODD_LANTERN_ARCHIVE", "");
  }

  private List<Path> kept() throws IOException {
    try (Stream<Path> all = Files.walk(folder)) {
      return all.filter(file -> file.toString().matches(".*\\.(jsa|aot|making)"))
          .toList();
    }
  }
}
