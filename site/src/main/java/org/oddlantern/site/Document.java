package org.oddlantern.site;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One document.
 *
 * @param name its file below the folder of all, without {@code .md}: {@code reference/checks}
 * @param title its first heading
 * @param body what follows that heading, without the line that leads on
 * @param before the name of the previous document; may be empty
 * @param after the name of the next one; may be empty
 */
record Document(String name, String title, String body, String before, String after) {

  private static final Pattern WAY_ON =
      Pattern.compile("(?s)\\n---\\n\\n([^\\n]*index\\.md\\)[^\\n]*)\\n*$");

  static Document read(Path all, Path file) throws IOException {
    String text = Files.readString(file);
    String name = all.relativize(file).toString().replaceFirst("\\.md$", "").replace('\\', '/');
    int end = text.indexOf('\n');
    Matcher way = WAY_ON.matcher(text);
    boolean leads = way.find();
    String line = leads ? way.group(1) : "";
    String body = text.substring(end, leads ? way.start() : text.length());
    return new Document(
        name,
        text.substring(2, end),
        body,
        linked(name, line, "previous"),
        linked(name, line, "next"));
  }

  private static String linked(String name, String line, String word) {
    Matcher link = Pattern.compile(word + ": \\[[^]]*]\\(([^)]*)\\.md\\)").matcher(line);
    return link.find()
        ? Path.of(name).resolveSibling(link.group(1)).normalize().toString().replace('\\', '/')
        : "";
  }

  /** The page that it becomes. */
  String page() {
    return name + ".html";
  }

  /** The way from its page to the folder of all pages. */
  String up() {
    return "../".repeat((int) name.chars().filter(c -> c == '/').count());
  }
}
