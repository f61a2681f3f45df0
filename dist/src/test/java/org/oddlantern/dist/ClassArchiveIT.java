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
    Path project = Files.createDirectories(folder.resolve("project"));
    Files.writeString(
        project.resolve("odd-lantern.yaml"),
        "environments: { near: { services: { hives: { url: 'http://127.0.0.1:1' } } } }");
    Command command =
        caching("a cache", project).with("ODD_LANTERN_ARCHIVE", "on").with("CI", "true");
    Command.Output first = command.run("settings");
    assertEquals(0, first.status(), first.err());
    for (int i = 0; i < 3000 && !isMade(); i++) {
      Thread.sleep(100);
    }
    assertTrue(isMade(), kept("a cache")::toString);

    Path loaded = folder.resolve("loaded.txt");
    Command.Output again =
        command.with("ODD_LANTERN_OPTS", "-Xlog:class+load:file=" + loaded).run("settings");
    assertEquals(first, again);
    assertEquals("", again.err());
    for (String name : List.of("cli.Main", "internal.YamlText")) {
      assertTrue(
          Files.readString(loaded).contains("org.oddlantern." + name + " source: shared objects"),
          name);
    }
    assertTrue(isMade(), "and no other is made");
  }

  /** A busy machine takes longer, and then the archive is wanted most; a JVM that spins is ended. */
  @Test
  void mayTakeTenSecondsOfProcessorTime() throws Exception {
    Path limit = folder.resolve("limit");
    Path java = Files.createDirectories(folder.resolve("jdk/bin")).resolve("java");
    Files.writeString(java, """
        #!/bin/sh
        case $* in *Training*) ulimit -t >'%1$s.now' && mv '%1$s.now' '%1$s' ;; esac
        """.formatted(limit));
    assertTrue(java.toFile().setExecutable(true));
    Command command = caching("c").with("JAVA_HOME", folder.resolve("jdk").toString());
    assertEquals(0, command.with("CI", "").run("--version").status());
    for (int i = 0; i < 300 && !Files.exists(limit); i++) {
      Thread.sleep(100);
    }
    assertEquals("10", Files.readString(limit).strip());
  }

  @Test
  void isNotMadeInAPipelineNorWhereItIsNotWanted() throws Exception {
    assertEquals(0, caching("a").with("CI", "true").run("--version").status());
    assertEquals(
        0, caching("b").with("ODD_LANTERN_ARCHIVE", "off").run("--version").status());
    assertEquals(List.of(), kept("a"));
    assertFalse(Files.exists(folder.resolve("b")));
  }

  private Command caching(String name) {
    return caching(name, folder);
  }

  private Command caching(String name, Path here) {
    return Command.in(here)
        .with("XDG_CACHE_HOME", folder.resolve(name).toString())
        .with("ODD_LANTERN_ARCHIVE", "");
  }

  private boolean isMade() throws IOException {
    List<Path> kept = kept("a cache");
    return kept.size() == 1 && !kept.toString().contains("making");
  }

  /** Attributes are not asked for: a folder may be removed meanwhile. */
  private List<Path> kept(String name) throws IOException {
    Path cache = folder.resolve(name).resolve("odd-lantern");
    if (!Files.exists(cache)) {
      return List.of();
    }
    try (Stream<Path> all = Files.list(cache)) {
      return all.toList();
    }
  }
}
