package org.oddlantern.site;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.json.internal.JsonMapping;

/** What the search looks through, as a script, since pages are read from files, too: sections, and tasks. */
final class SearchWords {

  private static final Pattern TASK =
      Pattern.compile("(?m)^\\| (?!\\*\\*|---|to )([^|]*) \\| (\\[.*]\\(.*) \\|$");
  private static final Pattern LINK = Pattern.compile("\\[([^]]*)]\\(([^)#]*)\\.md(#[^)]*)?\\)");

  private final List<List<String>> entries = new ArrayList<>();

  /** Takes a page: a section is found by its heading and by its words. */
  void add(Document document, PageBody body) {
    for (PageBody.Section one : body.sections()) {
      String anchor = one.heading().isEmpty() ? "" : "#" + Anchors.of(one.heading());
      entries.add(List.of(
          document.title(), document.page() + anchor, one.heading(), words(one.text()), ""));
    }
    if (document.name().equals("index")) {
      tasks(document);
    }
  }

  /** What somebody wants to do leads to where it is explained. */
  private void tasks(Document index) {
    Matcher row = TASK.matcher(index.body());
    while (row.find()) {
      Matcher link = LINK.matcher(row.group(2));
      while (link.find()) {
        String anchor = link.group(3) == null ? "" : link.group(3);
        entries.add(
            List.of(link.group(1), link.group(2) + ".html" + anchor, "", "", words(row.group(1))));
      }
    }
  }

  private static String words(String text) {
    return String.join(
        " ",
        List.of(text.toLowerCase(Locale.ROOT)
                .replaceAll("[^\\w.@$*-]+", " ")
                .strip()
                .split(" "))
            .stream()
            .distinct()
            .toList());
  }

  String script() {
    return "const WORDS = " + JsonMapping.standard().write(entries) + ";\n";
  }
}
