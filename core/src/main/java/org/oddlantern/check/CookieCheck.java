package org.oddlantern.check;

import java.util.List;
import java.util.stream.Collectors;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Cookie;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;

/** Asks about a cookie that a reply sets. */
record CookieCheck(String words, String name, NodeShape shape) implements Check {

  @Override
  public List<Finding> examine(Evidence evidence) {
    List<Cookie> cookies = evidence.cookies();
    List<String> values = cookies.stream()
        .filter(cookie -> cookie.name().equals(name))
        .map(Cookie::value)
        .toList();
    if (values.isEmpty()) {
      return shape.examine(Location.ROOT, MissingNode.getInstance()).isEmpty()
          ? List.of()
          : List.of(nothing(cookies.stream().map(Cookie::name).toList()));
    }
    return new RepeatedTexts(values).have(shape)
        ? List.of()
        : List.of(Finding.of(
            place(),
            shape.words(),
            values.stream().map(Words::quoted).collect(Collectors.joining(" and "))));
  }

  @Override
  public String subject() {
    return "cookie " + name;
  }

  private Finding nothing(List<String> names) {
    return Finding.of(
            place(),
            shape.words(),
            names.isEmpty() ? "no cookies at all" : "only " + Words.names(names))
        .hint(NearestMatch.hint(name, names));
  }

  private String place() {
    return "cookie " + name;
  }
}
