package org.oddlantern.site;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.oddlantern.internal.promise.Markdown;
import org.oddlantern.shaded.org.commonmark.ext.gfm.tables.TableBlock;
import org.oddlantern.shaded.org.commonmark.ext.gfm.tables.TableCell;
import org.oddlantern.shaded.org.commonmark.node.AbstractVisitor;
import org.oddlantern.shaded.org.commonmark.node.CustomBlock;
import org.oddlantern.shaded.org.commonmark.node.FencedCodeBlock;
import org.oddlantern.shaded.org.commonmark.node.Heading;
import org.oddlantern.shaded.org.commonmark.node.HtmlBlock;
import org.oddlantern.shaded.org.commonmark.node.Link;
import org.oddlantern.shaded.org.commonmark.node.Node;
import org.oddlantern.shaded.org.commonmark.node.Paragraph;
import org.oddlantern.shaded.org.commonmark.parser.Parser;
import org.oddlantern.shaded.org.commonmark.renderer.html.AttributeProvider;
import org.oddlantern.shaded.org.commonmark.renderer.html.HtmlRenderer;

/** The body of a document as HTML: headings can be linked to, links lead to pages, wide things scroll. */
final class PageBody {

  private final Parser parser =
      Parser.builder().extensions(Markdown.extensions()).build();
  private final Node tree;

  PageBody(Document document) {
    tree = parser.parse(document.body());
    tree.accept(new Links());
  }

  String html() {
    return HtmlRenderer.builder()
        .extensions(Markdown.extensions())
        .attributeProviderFactory(context -> new Attributes())
        .escapeHtml(false)
        .build()
        .render(tree);
  }

  /** Its headings of the second level, in order. */
  List<String> headings() {
    List<String> headings = new ArrayList<>();
    for (Node node = tree.getFirstChild(); node != null; node = node.getNext()) {
      if (node instanceof Heading heading && heading.getLevel() == 2) {
        headings.add(Markdown.plain(heading));
      }
    }
    return headings;
  }

  /** What follows each heading, as plain text; what comes before the first has none. */
  List<Section> sections() {
    List<Section> sections = new ArrayList<>();
    String heading = "";
    StringBuilder text = new StringBuilder();
    for (Node node = tree.getFirstChild(); node != null; node = node.getNext()) {
      if (node instanceof Heading next) {
        sections.add(new Section(heading, text.toString()));
        heading = Markdown.plain(next);
        text.setLength(0);
      } else {
        plain(node, text);
      }
    }
    sections.add(new Section(heading, text.toString()));
    return sections;
  }

  /** Pieces that are apart on the page are apart as words, too. */
  private static void plain(Node node, StringBuilder text) {
    if (node instanceof FencedCodeBlock code) {
      text.append(code.getLiteral());
    } else if (node instanceof Paragraph || node instanceof TableCell) {
      text.append(Markdown.plain(node)).append(' ');
    } else {
      for (Node child = node.getFirstChild(); child != null; child = child.getNext()) {
        plain(child, text);
      }
    }
  }

  /** What is below a heading. */
  record Section(String heading, String text) {}

  /** Leads links to pages, and lets wide tables scroll. */
  private static final class Links extends AbstractVisitor {
    private int tables;

    @Override
    public void visit(Link link) {
      String to = link.getDestination();
      if (!to.matches("[a-z]+:.*")) {
        link.setDestination(to.replaceFirst("^\\.\\./README\\.md", "index.md")
            .replaceFirst("^\\.\\./CHANGELOG\\.md", "changelog.md")
            .replaceFirst("^docs/", "")
            .replaceFirst("\\.md(?=#|$)", ".html"));
      }
      visitChildren(link);
    }

    @Override
    public void visit(CustomBlock block) {
      visitChildren(block);
      if (block instanceof TableBlock) {
        block.insertBefore(
            html("<div class=\"sheet\" tabindex=\"0\" role=\"region\" aria-label=\"Table "
                + ++tables + "\">"));
        block.insertAfter(html("</div>"));
      }
    }

    private static HtmlBlock html(String literal) {
      HtmlBlock block = new HtmlBlock();
      block.setLiteral(literal);
      return block;
    }
  }

  /** Names headings, and lets keys scroll code. */
  private static final class Attributes implements AttributeProvider {
    private int examples;

    @Override
    public void setAttributes(Node node, String tag, Map<String, String> attributes) {
      if (node instanceof Heading) {
        attributes.put("id", Anchors.of(Markdown.plain(node)));
      } else if (tag.equals("pre")) {
        attributes.put("tabindex", "0");
        attributes.put("role", "region");
        attributes.put("aria-label", "Example " + ++examples);
      } else if (tag.equals("img")) {
        attributes.put("loading", "lazy");
      }
    }
  }
}
