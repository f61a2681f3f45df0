package org.oddlantern.site;

import org.oddlantern.shaded.org.commonmark.node.AbstractVisitor;
import org.oddlantern.shaded.org.commonmark.node.Code;
import org.oddlantern.shaded.org.commonmark.node.CustomNode;
import org.oddlantern.shaded.org.commonmark.node.FencedCodeBlock;
import org.oddlantern.shaded.org.commonmark.node.SoftLineBreak;
import org.oddlantern.shaded.org.commonmark.node.Text;

/** The words of a piece of a document, without its marks. */
final class PlainText extends AbstractVisitor {

  private final StringBuilder text;

  PlainText(StringBuilder text) {
    this.text = text;
  }

  @Override
  public void visit(Text words) {
    text.append(words.getLiteral());
  }

  @Override
  public void visit(Code code) {
    text.append(code.getLiteral());
  }

  @Override
  public void visit(FencedCodeBlock code) {
    text.append(code.getLiteral());
  }

  @Override
  public void visit(SoftLineBreak line) {
    text.append(' ');
  }

  @Override
  public void visit(CustomNode cell) {
    visitChildren(cell);
    text.append(' ');
  }
}
