package org.oddlantern.internal.promise;

import java.util.List;
import java.util.regex.Pattern;
import org.oddlantern.shaded.org.commonmark.ext.gfm.tables.TablesExtension;
import org.oddlantern.shaded.org.commonmark.node.Code;
import org.oddlantern.shaded.org.commonmark.node.HardLineBreak;
import org.oddlantern.shaded.org.commonmark.node.HtmlInline;
import org.oddlantern.shaded.org.commonmark.node.Node;
import org.oddlantern.shaded.org.commonmark.node.SoftLineBreak;
import org.oddlantern.shaded.org.commonmark.node.SourceSpan;
import org.oddlantern.shaded.org.commonmark.node.Text;
import org.oddlantern.shaded.org.commonmark.parser.IncludeSourceSpans;
import org.oddlantern.shaded.org.commonmark.parser.Parser;

/** Markdown as documents with promises are written: CommonMark 0.31, and tables. */
public final class Markdown {

  /** What is nested deeper is read as text. */
  private static final int DEEPEST = 60;

  /** What begins a block of another kind (CommonMark, sections 4 and 5). */
  private static final Pattern BEGINNING = Pattern.compile("^(\\d{1,9}(?=[.)])|(?=[-+=~]))");

  private Markdown() {}

  /**
   * Text that means nothing to Markdown (CommonMark, section 2.4), in one line.
   *
   * @param text the text
   * @return what stands for it at the beginning of a paragraph
   */
  public static String escaped(String text) {
    String line = text.replaceAll("\\s+", " ").strip();
    return BEGINNING
        .matcher(line.replaceAll("[\\\\`*_{}\\[\\]<>#|&!]", "\\\\$0"))
        .replaceFirst("$1\\\\");
  }

  /**
   * What else than CommonMark is read.
   *
   * @return tables
   */
  public static List<TablesExtension> extensions() {
    return List.of((TablesExtension) TablesExtension.create());
  }

  /**
   * Reads a document.
   *
   * @param text the text
   * @return its blocks, which know their lines
   */
  public static Node read(String text) {
    return Parser.builder()
        .extensions(extensions())
        .includeSourceSpans(IncludeSourceSpans.BLOCKS)
        .maxOpenBlockParsers(DEEPEST)
        .build()
        .parse(text);
  }

  /**
   * The line a block begins in.
   *
   * @param block the block
   * @return its number, from 1
   */
  public static int line(Node block) {
    List<SourceSpan> spans = block.getSourceSpans();
    return spans.isEmpty() ? 1 : spans.get(0).getLineIndex() + 1;
  }

  /**
   * What a block says, without emphasis, code marks, links and markup.
   *
   * @param block the block
   * @return its text in one line
   */
  public static String plain(Node block) {
    StringBuilder text = new StringBuilder();
    plain(block, text);
    return text.toString().replaceAll("\\s+", " ").strip();
  }

  private static void plain(Node node, StringBuilder text) {
    if (node instanceof Text one) {
      text.append(one.getLiteral());
    } else if (node instanceof Code code) {
      text.append(code.getLiteral());
    } else if (node instanceof SoftLineBreak || node instanceof HardLineBreak) {
      text.append(' ');
    } else if (!(node instanceof HtmlInline)) {
      for (Node child = node.getFirstChild(); child != null; child = child.getNext()) {
        plain(child, text);
      }
    }
  }
}
