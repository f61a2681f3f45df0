package org.oddlantern.dist.reference;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The text of a javadoc comment as Markdown, without its tags. */
record Javadoc(String comment) {

  private static final Pattern CODE = Pattern.compile("(?s)<pre>\\{@code[ \t]*\\n(.*?)}</pre>");
  private static final Pattern INLINE =
      Pattern.compile("(?s)\\{@(?:code|literal)\\s+((?:[^{}]|\\{[^{}]*})*)}");
  private static final Pattern LINK =
      Pattern.compile("\\{@link(?:plain)?\\s+([^\\s}]+)(?:\\s+([^}]*))?}");

  /** All of it, examples in blocks. */
  String markdown() {
    StringBuilder text = new StringBuilder();
    Matcher code = CODE.matcher(body());
    int end = 0;
    while (code.find()) {
      text.append(inline(body().substring(end, code.start())));
      text.append("\n\n```java\n").append(code.group(1).stripIndent().strip()).append("\n```\n\n");
      end = code.end();
    }
    text.append(inline(body().substring(end)));
    return text.toString().replaceAll("\n{3,}", "\n\n").strip();
  }

  /** Its first sentence. */
  String sentence() {
    String text =
        inline(CODE.matcher(body()).replaceAll("\n\n")).replaceAll("\\s+", " ").strip();
    Matcher end = Pattern.compile("[.:](?= |$)(?! [a-z])").matcher(text);
    return end.find() ? text.substring(0, end.start()) + "." : text;
  }

  private String body() {
    Matcher tag =
        Pattern.compile("(?m)^\\s*@(?:param|return|throws|see|since)\\b").matcher(comment);
    return tag.find() ? comment.substring(0, tag.start()) : comment;
  }

  private static String inline(String html) {
    String text = INLINE
        .matcher(html)
        .replaceAll(
            found -> Matcher.quoteReplacement("`" + found.group(1).replaceAll("\\s+", " ") + "`"));
    text = LINK.matcher(text)
        .replaceAll(found -> Matcher.quoteReplacement(
            "`" + (found.group(2) == null ? found.group(1).replaceFirst("^#", "") : found.group(2))
                + "`"));
    return text.replaceAll("\\s*<p>\\s*", "\n\n")
        .replaceAll("</?(?:em|i)>", "*")
        .replaceAll("(?m)^ +", "")
        .replaceAll("(?<!\n)\n(?!\n)", " ");
  }
}
