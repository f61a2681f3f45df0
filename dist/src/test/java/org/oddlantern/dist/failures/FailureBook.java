package org.oddlantern.dist.failures;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.demo.beeyard.Beeyard;
import org.oddlantern.demo.beeyard.Fault;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.reports.console.ConsoleReport;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.Runner;

/** Makes {@code docs/failures.md}: every seeded fault, the case that meets it, and what is printed. */
final class FailureBook {

  private static final Path SOURCES = Path.of("src/test/java/org/oddlantern/dist/failures");
  private static final String FOOTER = """

      ---

      previous: [Files](reference/files.md) · [all documents](index.md) · next: [Performance](performance.md)
      """;
  private static final Path FAULTS =
      Path.of("../demo/src/main/java/org/oddlantern/demo/beeyard/Fault.java");

  private final Set<Fault> faults = ConcurrentHashMap.newKeySet();
  private final Planner planner =
      new Planner(FailureBook.class.getClassLoader(), List.of(new Place(classes())));

  /** What is printed for each fault, in the order of the faults. */
  Map<Fault, String> failures() throws Exception {
    Map<Fault, String> failures = new LinkedHashMap<>();
    String suite = Files.readString(SOURCES.resolve("FaultyTest.java"));
    for (Fault fault : Fault.values()) {
      if (suite.contains("  void " + method(fault) + "(")) {
        failures.put(fault, printed(fault));
      }
    }
    return failures;
  }

  private String printed(Fault fault) throws Exception {
    try (Beeyard beeyard = Beeyard.start(0, 0, faults)) {
      faults.add(fault);
      Settings settings = SettingsFile.onClassPath(FailureBook.class.getClassLoader())
          .movedTo(Map.of("beeyard", beeyard.address(), "store", beeyard.databaseAddress()));
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      RunOrder order = new RunOrder(
          "failures",
          planner.plan(new Selection(List.of("FaultyTest#" + method(fault)))),
          settings,
          settings.environment(null),
          Map.of(),
          FailureBook.class.getClassLoader(),
          "fennel",
          1);
      new Runner(order, Clock.systemUTC())
          .run(List.of(new ConsoleReport(
              new PrintStream(out, true, StandardCharsets.UTF_8), new Style(false))));
      return told(out.toString(StandardCharsets.UTF_8), beeyard);
    } finally {
      faults.clear();
    }
  }

  /** The case alone; times, ports and today as they might have been. */
  private static String told(String printed, Beeyard beeyard) {
    List<String> lines = printed
        .lines()
        .dropWhile(line -> !line.startsWith("failed ") && !line.startsWith("errored "))
        .takeWhile(line -> !line.isEmpty())
        .toList();
    return IntStream.range(0, lines.size())
        .filter(i -> !isFine(lines, i))
        .mapToObj(lines::get)
        .map(line -> line.replace(beeyard.address(), "http://127.0.0.1:7411/api")
            .replaceAll("trace     [0-9a-f]{32}", "trace     4bf92f3577b34da6a3ce929d0e0e4736")
            .replaceAll("(after|in) [\\d.]+ m?s", "$1 4 ms")
            .replaceAll("(failed|errored) +[\\d.]+ m?s", "$1        12 ms")
            .replaceAll(
                "\\d+ tries, none held; the last after \\d+ ms",
                "6 tries, none held; the last after 405 ms")
            .replace(LocalDate.now(Clock.systemUTC()).toString(), "2026-05-01"))
        .collect(Collectors.joining("\n"));
  }

  /** A call on the way that has nothing below it: nothing was wrong with it. */
  private static boolean isFine(List<String> lines, int i) {
    boolean last = i + 1 == lines.size() || lines.get(i + 1).matches(" {10}\\S.*");
    return last && lines.get(i).matches(".*, answered (200 OK|201 Created|204 No Content) in .*");
  }

  /** The whole document. */
  String document(Map<Fault, String> failures) throws IOException {
    StringBuilder text = new StringBuilder("""
        # What failures look like

        Failure messages of an HTTP API test, to know before you meet them: the Fennel Hill beeyard makes mistakes on request, and here is each of them, the test that finds it, and what Odd Lantern prints.
        A test writes this page from a real run (`mvn verify -Dfailures=write`); only times, ports and dates are replaced.
        """);
    String suite = Files.readString(SOURCES.resolve("FaultyTest.java"));
    String words = Files.readString(FAULTS);
    failures.forEach((fault, printed) -> text.append("\n## ")
        .append(words(fault, words))
        .append("\n\n```java\n")
        .append(source(fault, suite))
        .append("\n```\n\n```text\n")
        .append(printed)
        .append("\n```\n"));
    return text.append(FOOTER).toString();
  }

  private static String words(Fault fault, String source) {
    Matcher comment =
        Pattern.compile("/\\*\\* ([^*]*?)\\.? \\*/\\s+" + fault.name() + "\\b").matcher(source);
    if (!comment.find()) {
      throw new IllegalStateException(fault + " is not explained");
    }
    return comment.group(1).replaceAll("\\{@code (.*?)}", "`$1`");
  }

  private static String source(Fault fault, String suite) {
    Matcher method = Pattern.compile("(?s)  void " + method(fault) + "\\([^)]*\\) \\{\n(.*?)\n  }")
        .matcher(suite);
    if (!method.find()) {
      throw new IllegalStateException(fault + " has no case");
    }
    return method.group(1).stripIndent();
  }

  private static String method(Fault fault) {
    String joined = Arrays.stream(fault.name().toLowerCase(Locale.ROOT).split("_", -1))
        .map(word -> word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1))
        .collect(Collectors.joining());
    return joined.substring(0, 1).toLowerCase(Locale.ROOT) + joined.substring(1);
  }

  private static Path classes() {
    return Path.of("target/test-classes");
  }
}
