package org.oddlantern.internal.promise;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.jar.JarEntry;
import java.util.jar.JarOutputStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.internal.Resources;

/** Which sentences of a document are promises, which cases keep them, and what is said of the others. */
class PromisesTest {

  private static final List<TitledCase> CASES = List.of(
      one("HiveTest#register", "a keeper registers a hive"),
      one("HiveTest#rename", "a hive is renamed"),
      one("HiveTest#gone", "a hive that was removed is gone"),
      one("SignTest#sign", "the `token` of a *keeper* fits sign_in"),
      one("OtherTest#rename", "A hive is renamed."),
      new TitledCase(
          "RefusedTest#refused",
          "RefusedTest",
          "a hive with {what} is refused",
          List.of(
              new TitledCase.OfSample(
                  "RefusedTest#refused[no plot]", "a hive with no plot is refused"),
              new TitledCase.OfSample(
                  "RefusedTest#refused[no kind]", "a hive with no kind is refused")),
          List.of("samples/refused.csv")));

  @TempDir
  private Path folder;

  private final Set<String> keys = new HashSet<>();

  private static TitledCase one(String id, String title) {
    return new TitledCase(id, id.replaceAll("#.*", ""), title, List.of(), List.of());
  }

  @Test
  void writingDoesNotMatter() throws IOException {
    write("hives.md", """
        # Hives
        - A **keeper** [registers](https://hives.example.org)
          a hive.
        - [ ] the token of a keeper fits `sign_in`
        * A  HIVE that *was removed* is `gone`
        """.replace("\n", "\r\n"));
    Promises promises = read();
    assertEquals(
        List.of(
            "2 0 A keeper registers a hive. [HiveTest#register] ",
            "4 0 the token of a keeper fits sign_in [SignTest#sign] ",
            "5 0 A HIVE that was removed is gone [HiveTest#gone] "),
        told(promises));
    assertEquals(List.of(), promises.problems());
    assertEquals(List.of(), promises.notes());
    assertEquals(
        List.of("HiveTest#rename", "OtherTest#rename", "RefusedTest#refused"),
        promises.unpromised().stream().map(TitledCase::id).toList());
  }

  @Test
  void aListOfPromisesHasATitleOrABoxAndEverythingElseIsProse() throws IOException {
    write("hives.md", """
        - lime trees in flower
        - a mild winter

        1. nobody has written this yet
        2. a hive is renamed

        > * [ ] quoted promises count

        a hive is renamed
        """);
    assertEquals(
        List.of(
            "4 0 nobody has written this yet [] ",
            "5 0 a hive is renamed [HiveTest#rename, OtherTest#rename] ",
            "7 0 quoted promises count [] "),
        told(read()));
    assertEquals(
        List.of(
            "2 promises have no case: promises/hives.md:4 'nobody has written this yet'; promises/hives.md:7 'quoted promises count'",
            "4 cases have no promise: HiveTest: a keeper registers a hive; HiveTest: a hive that was removed is gone; SignTest: the `token` of a *keeper* fits sign_in; RefusedTest: a hive with {what} is refused"),
        read().gaps());
  }

  @Test
  void whatIsBelowAPromiseIsOneIfItIsATitle() throws IOException {
    write("hives.md", """
        - The register can be relied on:
          - A keeper registers a hive.
            - by post
            - by hand
          - A hive is renamed.
        - A hive that was removed is gone.
          1. it is no promise that this stands here
        """);
    assertEquals(
        List.of(
            "1 0 The register can be relied on: [] ",
            "2 1 A keeper registers a hive. [HiveTest#register] ",
            "5 1 A hive is renamed. [HiveTest#rename, OtherTest#rename] ",
            "6 0 A hive that was removed is gone. [HiveTest#gone] "),
        told(read()));
    assertEquals(1, read().gaps().size(), "what stands for others is not pending");
  }

  @Test
  void theNearestTitleIsNamedAndNoneThatIsFarOff() throws IOException {
    write("hives.md", """
        - a keeper registers a hive
        - a keepers register a hive
        - a hive that was moved is gone
        - the weather is told

        Prose:

        - a hive that was removed is gon
        - a hive that was moved has gone
        """);
    Promises promises = read();
    assertEquals(
        List.of(
            "1 0 a keeper registers a hive [HiveTest#register] ",
            "2 0 a keepers register a hive [] a keeper registers a hive",
            "3 0 a hive that was moved is gone [] a hive that was removed is gone",
            "4 0 the weather is told [] "),
        told(promises));
    assertEquals(
        List.of(
            "promises/hives.md:8 is all but the title 'a hive that was removed is gone', and no promise; write it like that, or begin it with [ ]"),
        promises.notes());
  }

  @Test
  void aPromiseStandsOnceInADocumentAndMayStandInAnother() throws IOException {
    write("a.md", "- a hive is renamed\n\ntext\n\n- *A hive is renamed.*\n- \n");
    write("b.md", "- a hive is renamed\n");
    write("sub/c.md", "- a hive is lost\n");
    Promises promises = read();
    assertEquals(
        List.of(
            "promises/a.md:5 makes the promise of line 1 again: 'A hive is renamed.'; let one of them go",
            "promises/a.md:6 is an item without a sentence"),
        promises.problems());
    assertEquals(
        List.of(
            "promises/sub/c.md promises nothing: no item of a list is the title of a case, or begins with [ ]"),
        promises.notes());
    assertEquals(
        List.of("promises/a.md", "promises/b.md", "promises/sub/c.md"),
        promises.documents().stream().map(PromiseDocument::file).toList());
  }

  @Test
  void samplesStandBelowTheirPromise() throws IOException {
    write("hives.md", "- A hive with {what} is refused.\n\n  samples: refused.csv\n");
    samples("what,plot\nno plot,\nno kind,\"a, b\"\n");
    Promise promise = read().documents().get(0).promises().get(0);
    assertEquals(
        List.of("RefusedTest#refused[no plot]", "RefusedTest#refused[no kind]"), promise.cases());
    assertEquals(
        new SampleTable(
            "samples/refused.csv",
            List.of("what", "plot"),
            List.of(
                new SampleTable.Row("RefusedTest#refused[no plot]", List.of("no plot", "")),
                new SampleTable.Row("RefusedTest#refused[no kind]", List.of("no kind", "a, b")))),
        promise.samples());
    samples("what,plot\nno plot,\n");
    assertEquals(
        "",
        read().documents().get(0).promises().get(0).samples().rows().get(0).caseId(),
        "rows that are not the samples have no case");

    write("hives.md", "- a hive with no kind is refused\n- a hive with no plot is refused\n");
    assertEquals(
        List.of(
            "1 0 a hive with no kind is refused [RefusedTest#refused[no kind]] ",
            "2 0 a hive with no plot is refused [RefusedTest#refused[no plot]] "),
        told(read()));
    assertEquals(5, read().unpromised().size(), "a case is promised when all its samples are");
  }

  @Test
  void samplesThatDoNotFitAreToldWithTheirLine() throws IOException {
    samples("what,plot\nno plot\n");
    write("hives.md", """
        - a hive with {what} is refused

          samples: refusals.csv
        - a hive is renamed

          samples: refused.csv
        - [ ] a hive sings

          samples: refused.csv
        """);
    assertEquals(
        List.of(
            "promises/hives.md:3 names the samples refusals.csv, but RefusedTest#refused takes its samples from samples/refused.csv",
            "promises/hives.md:6 names the samples refused.csv, but HiveTest#rename runs over no samples",
            "promises/hives.md:9 names the samples refused.csv below a promise that no case has for its title"),
        read().problems());
    write("hives.md", """
        - a hive with {what} is refused

          samples: refused.csv

          samples: samples/refused.csv
        """);
    assertEquals(
        List.of(
            "promises/hives.md:3 names the samples samples/refused.csv, which is not CSV: line 2 has one cell, and the line of names has 2",
            "promises/hives.md:5 names the samples samples/refused.csv, which is not CSV: line 2 has one cell, and the line of names has 2"),
        read().problems());
    samples("what,plot\nno plot,\n");
    assertEquals(
        List.of(
            "promises/hives.md:5 names the samples samples/refused.csv, and those of its promise are samples/refused.csv"),
        read().problems());
  }

  @Test
  void noDocumentCanHurt() throws IOException {
    write("deep.md", "> ".repeat(5_000) + "- a hive is renamed\n" + "*a **".repeat(20_000) + "\n");
    write("long.md", "- a hive is renamed\n" + "x".repeat(1 << 20));
    Path latin = folder.resolve("promises/latin.md");
    Files.write(latin, "- a hive\n- K\u00f6nigin\n".getBytes(StandardCharsets.ISO_8859_1));
    write("mark.md", "\ufeff- a hive is renamed\n- [ ] &amp; more\u0000\n");
    Promises promises = read();
    assertEquals(
        List.of(
            "promises/latin.md is not UTF-8 (see line 2), so nothing in it is looked at",
            "promises/long.md is larger than 1 MiB, so nothing in it is looked at"),
        promises.problems().stream()
            .filter(problem -> !problem.contains("deep.md"))
            .sorted()
            .toList());
    assertTrue(told(promises).contains("2 0 & more\ufffd [] "), told(promises).toString());
    assertTrue(
        told(promises).contains("1 0 a hive is renamed [HiveTest#rename, OtherTest#rename] "));
  }

  @Test
  void documentsOfJarsCountWhereSuitesAreAndNowhereElse() throws IOException {
    Path own = jar("own.jar", "promises/own.md");
    Path foreign = jar("foreign.jar", "promises/foreign.md");
    assertEquals(
        List.of("promises/own.md"),
        read(List.of(own, foreign), List.of(own)).documents().stream()
            .map(PromiseDocument::file)
            .toList());
    assertEquals(Promises.NONE, read(List.of(foreign), List.of()));
    assertEquals(List.of(), Promises.NONE.gaps(), "who writes no document owes none");
  }

  @Test
  void whateverATitleIsItsEscapedTextIsItsPromise() throws IOException {
    Random random = new Random(42);
    String odd =
        "aB. \t*_`[]()<>#+-=~|!&;{}\\\"'/:@1xX\u00e9e\u0301\u2028\u00a0\ud83d\udc1d\u0130\u0000";
    List<TitledCase> cases = new ArrayList<>();
    StringBuilder text = new StringBuilder();
    for (String title : List.of(
        "1. of all",
        "2) of all",
        "- no",
        "+ no",
        "* no",
        "# no",
        "> no",
        "=== no",
        "--- ",
        "~~~ no",
        "[ ] open",
        "[x] shut",
        "&amp; then",
        "<b>bold</b>",
        "| a | b |",
        "![p](q)",
        "[a]: /u",
        "a\\",
        "`a",
        "**",
        "...",
        "http://a.example.org/_b_",
        "samples: x.csv")) {
      add(title, cases, text);
    }
    for (int i = 0; i < 2_000; i++) {
      StringBuilder title = new StringBuilder();
      for (int j = 1 + random.nextInt(12); j > 0; j--) {
        int at = random.nextInt(odd.codePointCount(0, odd.length()));
        title.appendCodePoint(odd.codePointAt(odd.offsetByCodePoints(0, at)));
      }
      if (!title.toString().isBlank() && !Markdown.escaped(title.toString()).isEmpty()) {
        add(title.toString(), cases, text);
      }
    }
    write("all.md", text.toString());
    Promises promises =
        new PromiseReader(new Resources(loader(List.of()), null), List.of()).read(() -> cases);
    assertEquals(
        List.of(), promises.unpromised().stream().map(TitledCase::title).toList());
    assertEquals(List.of(), promises.problems());
  }

  private void add(String title, List<TitledCase> cases, StringBuilder text) {
    if (keys.add(Sentence.key(title))) {
      text.append("- ").append(Markdown.escaped(title)).append('\n');
      cases.add(one("SomeTest#case" + cases.size(), title));
    }
  }

  private static List<String> told(Promises promises) {
    return promises.documents().stream()
        .flatMap(document -> document.promises().stream())
        .map(one -> one.line() + " " + one.above() + " " + one.words() + " " + one.cases() + " "
            + one.hint())
        .toList();
  }

  private void write(String name, String text) throws IOException {
    Path file = folder.resolve("promises").resolve(name);
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
  }

  private void samples(String text) throws IOException {
    Files.createDirectories(folder.resolve("samples"));
    Files.writeString(folder.resolve("samples/refused.csv"), text);
  }

  private Path jar(String name, String document) throws IOException {
    Path jar = folder.resolve(name);
    try (JarOutputStream out = new JarOutputStream(Files.newOutputStream(jar))) {
      out.putNextEntry(new JarEntry("promises/"));
      out.putNextEntry(new JarEntry(document));
      out.write("- a hive is renamed\n".getBytes(StandardCharsets.UTF_8));
    }
    return jar;
  }

  private Promises read() throws IOException {
    return read(List.of(), List.of());
  }

  private Promises read(List<Path> classPath, List<Path> jars) throws IOException {
    return new PromiseReader(new Resources(loader(classPath), folder), jars).read(() -> CASES);
  }

  private ClassLoader loader(List<Path> more) throws IOException {
    List<URL> urls = new ArrayList<>();
    for (Path path : Stream.concat(Stream.of(folder), more.stream()).toList()) {
      urls.add(path.toUri().toURL());
    }
    return new URLClassLoader(urls.toArray(URL[]::new), null);
  }
}
