package org.oddlantern.http;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.internal.Needed;

/**
 * The template of an address: literal parts with a place for one argument between each two of them.
 *
 * @param text the template as written
 * @param literals the parts around the places, one more than there are places
 */
record Template(String text, List<String> literals) {

  static Template of(String text) {
    Needed.of(text, "the template of a call");
    List<String> literals = new ArrayList<>();
    int from = 0;
    int open = text.indexOf('{');
    while (open >= 0) {
      int close = text.indexOf('}', open);
      if (close < 0) {
        break;
      }
      literals.add(text.substring(from, open));
      from = close + 1;
      open = text.indexOf('{', from);
    }
    literals.add(text.substring(from));
    return new Template(text, literals);
  }

  int places() {
    return literals.size() - 1;
  }

  @Override
  public String toString() {
    return text;
  }
}
