package org.oddlantern.internal.reports.html;

import org.oddlantern.internal.promise.Markdown;
import org.oddlantern.shaded.org.commonmark.node.FencedCodeBlock;
import org.oddlantern.shaded.org.commonmark.node.Heading;
import org.oddlantern.shaded.org.commonmark.node.Image;
import org.oddlantern.shaded.org.commonmark.node.Link;
import org.oddlantern.shaded.org.commonmark.node.Node;
import org.oddlantern.shaded.org.commonmark.node.Text;
import org.oddlantern.shaded.org.commonmark.renderer.html.HtmlRenderer;

/**
 * Markdown as HTML that may stand in a page: markup in it is text, pictures are their words, and links lead
 * to the web or nowhere.
 */
final class Prose {

  private static final int DEEPEST_HEADING = 6;

  private final HtmlRenderer renderer = HtmlRenderer.builder()
      .extensions(Markdown.extensions())
      .escapeHtml(true)
      .sanitizeUrls(true)
      .omitSingleParagraphP(false)
      .build();

  /** A block, as it stands. */
  String html(Node block) {
    tame(block);
    return renderer.render(block);
  }

  /** What stands in a block, without the block. */
  String inside(Node block) {
    tame(block);
    StringBuilder html = new StringBuilder();
    for (Node child = block.getFirstChild(); child != null; child = child.getNext()) {
      html.append(renderer.render(child));
    }
    return html.toString();
  }

  /** A text with all its marks. */
  String asWritten(String text) {
    FencedCodeBlock block = new FencedCodeBlock();
    block.setLiteral(text);
    return renderer.render(block);
  }

  private static void tame(Node node) {
    if (node instanceof Heading heading) {
      // the page has a heading above all documents
      heading.setLevel(Math.min(DEEPEST_HEADING, heading.getLevel() + 1));
    }
    Node child = node.getFirstChild();
    while (child != null) {
      Node next = child.getNext();
      tame(child);
      if (child instanceof Image) {
        child.insertBefore(new Text(Markdown.plain(child)));
        child.unlink();
      } else if (child instanceof Link link
          && !link.getDestination().matches("(?i)(https?://|mailto:).*")) {
        while (link.getFirstChild() != null) {
          link.insertBefore(link.getFirstChild());
        }
        link.unlink();
      }
      child = next;
    }
  }
}
