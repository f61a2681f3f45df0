package org.oddlantern.dist.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * The command files for Windows, read as scripts: whatever breaks such a file with paths that have blanks,
 * percent signs, parentheses or ampersands in them is not there.
 */
class CommandFilesIT {

  private static final Path ROOT = Path.of("").toAbsolutePath().getParent();
  private static final Path BIN = ROOT.resolve("dist/src/main/dist/bin");

  /** What may stand without quotes: numbers, and what is meant to be several words. */
  private static final Set<String> BARE =
      Set.of("errorlevel", "status", "page", "ODD_LANTERN_OPTS");

  private static final Set<String> FROM_OUTSIDE =
      Set.of("errorlevel", "ODD_LANTERN_OPTS", "JAVA_HOME");

  private static final Pattern VARIABLE = Pattern.compile("%([A-Za-z_]+)(:\"=)?%");

  static Stream<Path> files() {
    return Stream.of(ROOT.resolve("odd-lantern.cmd"), BIN.resolve("odd-lantern.cmd"));
  }

  @ParameterizedTest
  @MethodSource("files")
  void everyLineIsReadAsItIsMeant(Path file) throws IOException {
    String text = Files.readString(file, StandardCharsets.UTF_8);
    assertTrue(text.chars().allMatch(one -> one < 0x80), "code pages differ beyond ASCII");
    assertEquals(
        text.chars().filter(one -> one == '\n').count(),
        Pattern.compile("\r\n").matcher(text).results().count(),
        "labels are not found in files with other line ends");
    List<String> lines = text.lines().toList();
    assertEquals("@echo off", lines.get(0));
    assertEquals("setlocal DisableDelayedExpansion", lines.get(1), "else ! in a path is lost");

    Set<String> known = new TreeSet<>(FROM_OUTSIDE);
    for (String line : lines) {
      Matcher set = Pattern.compile("set \"([A-Za-z]+)=").matcher(line);
      String code = line.startsWith("rem ") ? "" : line;
      Matcher used = VARIABLE.matcher(code);
      while (used.find()) {
        String name = used.group(1);
        assertTrue(known.contains(name), () -> name + " is not set before: " + line);
        boolean quoted = code.substring(0, used.start()).replaceAll("[^\"]", "").length() % 2 == 1;
        assertTrue(quoted || BARE.contains(name), () -> name + " stands without quotes: " + line);
      }
      while (set.find()) {
        known.add(set.group(1));
      }
      boolean block = code.replaceAll("\"[^\"]*\"", "").matches(".*[()].*");
      assertTrue(
          !block || code.startsWith("for ") || code.startsWith("echo "),
          () -> "a path with a parenthesis would end this block: " + line);
      assertFalse(
          code.matches("(?i)(.* )?call (?!mvn).*"), () -> "arguments would be read twice: " + line);
    }
  }

  @ParameterizedTest
  @MethodSource("files")
  void everyLabelIsThereAndEveryEndHasAStatus(Path file) throws IOException {
    List<String> lines = Files.readAllLines(file);
    Set<String> labels = new TreeSet<>();
    Set<String> wanted = new TreeSet<>();
    List<String> ends = new ArrayList<>();
    String before = "";
    for (String line : lines) {
      Matcher gone = Pattern.compile("goto (\\w+)").matcher(line);
      while (gone.find()) {
        wanted.add(gone.group(1));
      }
      if (line.startsWith(":")) {
        labels.add(line.substring(1));
        ends.add(before);
      }
      before = line.isBlank() ? before : line;
    }
    ends.add(before);
    assertEquals(labels, wanted);
    for (String end : ends) {
      assertTrue(
          end.matches("exit /b (2|%status%)|\"%command%\" %\\*")
              || end.equals("if not \"%status%\"==\"0\" goto failed"),
          () -> "what runs on after " + end);
    }
  }

  @ParameterizedTest
  @MethodSource("files")
  void itsOptionsAreThoseOfItsSister(Path file) throws IOException {
    String sister = Files.readString(file.resolveSibling("odd-lantern"));
    Matcher options = Pattern.compile("(?<=\\s\"?)-[XD][^\\s\"%]*").matcher(Files.readString(file));
    List<String> found = options.results().map(option -> option.group()).toList();
    assertTrue(found.size() > 5, found.toString());
    for (String option : found) {
      assertTrue(sister.contains(option.replaceAll("=(false|0)?$", "=")), option);
    }
  }
}
