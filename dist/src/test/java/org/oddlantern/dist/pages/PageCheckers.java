package org.oddlantern.dist.pages;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.oddlantern.dist.Fetched;

/** The fetched checkers of pages. */
final class PageCheckers {

  private PageCheckers() {}

  /** What people who see or move otherwise cannot use of the page that is open, everything unfolded. */
  static List<String> accessibility(Browser browser, boolean contrastOnly) throws Exception {
    browser.value("document.querySelectorAll('details').forEach(one => one.open = true)");
    browser.value(Files.readString(Fetched.at("reports/axe.min.js")) + "; true");
    List<String> found = new ArrayList<>();
    browser
        .value(
            "axe.run(" + (contrastOnly ? "{runOnly: ['color-contrast']}" : "")
                + ").then(all => all.violations.map(one => one.id + ': ' + one.help + ' ' + one.nodes.slice(0, 3).map(node => node.html).join(' | ')))")
        .forEach(one -> found.add(one.asString("")));
    return found;
  }

  /** Errors in the HTML of a folder; empty if there are none. */
  static String html(Path folder) throws IOException, InterruptedException {
    Process process = new ProcessBuilder(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-jar",
            Fetched.at("reports/vnu.jar").toString(),
            "--errors-only",
            "--skip-non-html",
            folder.toString())
        .redirectErrorStream(true)
        .start();
    String told = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    return process.waitFor() == 0 ? "" : told + "the checker ended with " + process.exitValue();
  }
}
