package org.oddlantern.dist.reference;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.oddlantern.dist.Command;

/** Every file that a run writes, held against the folder of a run with everything switched on. */
final class FilePage {

  private static final Map<String, String> MEANINGS = meanings();

  private final Path folder;

  FilePage(Path folder) {
    this.folder = folder;
  }

  private static Map<String, String> meanings() {
    Map<String, String> meanings = new LinkedHashMap<>();
    meanings.put(
        "journal.jsonl",
        "the [journal](../journal.md): every event of the run, a line of JSON each; all reports are made from it");
    meanings.put("bodies/", "long bodies, pictures");
    meanings.put("kept/", "what cases kept as evidence");
    meanings.put("agreed/", "replies that differ from what was agreed to, for `odd-lantern agree`");
    meanings.put("described/", "the API descriptions as they were");
    meanings.put("report/index.html", "the first page of the HTML report");
    meanings.put("report/suite-*.html", "a page or more for each suite");
    meanings.put("report/ledger.css", "the style of the pages");
    meanings.put("report/ledger.js", "their script; they are whole without it");
    meanings.put("report/cases.js", "every case by its title, for searching in long runs");
    meanings.put("report/blind-spots.html", "assertions that are missing, with `--blind-spots`");
    meanings.put("report/description.html", "how much of the API descriptions was called");
    meanings.put("report/promises.html", "what documents promise, and what became of it");
    meanings.put("junit-xml/", "JUnit XML, a file for each suite");
    meanings.put("counts.json", "how many ended how, for dashboards");
    meanings.put("summary.md", "a short text for the page of a merge request");
    meanings.put("blind-spots.json", "the same as its page, for programs");
    meanings.put("description.json", "the same as its page, for programs");
    meanings.put("exchanges.har", "all exchanges as an HTTP archive 1.2, with `--har`");
    meanings.put("connections.log", "what happened to connections, with `--debug`");
    return meanings;
  }

  String text() throws Exception {
    Command.in(folder)
        .run(
            "run",
            "classes-of-OutcomesTest",
            "--blind-spots",
            "--har",
            "--debug",
            "--out",
            "all",
            "--run-limit",
            "3s");
    TreeSet<String> unknown = new TreeSet<>();
    for (String file : files(folder.resolve("all"))) {
      if (MEANINGS.keySet().stream().noneMatch(one -> isOf(one, file))) {
        unknown.add(file);
      }
    }
    if (!unknown.isEmpty()) {
      throw new IllegalStateException("files that nothing is said of: " + unknown);
    }
    StringBuilder page = new StringBuilder("""
        # Files

        What a run writes into its folder (`--out`; else `target/odd-lantern` in a Maven project, `build/odd-lantern` with Gradle, `odd-lantern-out` elsewhere): reports, results, artifacts to keep in CI. Publish the folder as a whole, for pages lead to other files. Written by a test from a run. [Reports](../reports.md) says more.

        | file or folder | what it is |
        |---|---|
        """);
    MEANINGS.forEach((name, meaning) ->
        page.append("| `").append(name).append("` | ").append(meaning).append(" |\n"));
    return page.append("""

        In a project lie `odd-lantern.yaml` (settings, beside the build file), `odd-lantern.schema.json` (written by `odd-lantern settings --schema`, for editors) and `agreed/` below the test resources (replies that were agreed to).
        """).toString();
  }

  private static boolean isOf(String name, String file) {
    return name.endsWith("/") ? file.startsWith(name) : file.matches(name.replace("*", ".*"));
  }

  private static TreeSet<String> files(Path all) throws IOException {
    TreeSet<String> names = new TreeSet<>();
    try (Stream<Path> files = Files.walk(all)) {
      files
          .filter(Files::isRegularFile)
          .forEach(file -> names.add(all.relativize(file).toString()));
    }
    return names;
  }
}
