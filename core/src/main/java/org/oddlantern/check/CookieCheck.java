package org.oddlantern.check;

import java.util.List;
import org.oddlantern.http.Check;
import org.oddlantern.http.Cookie;
import org.oddlantern.http.Evidence;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.NearestMatch;
import org.oddlantern.json.Shape;
import org.oddlantern.json.UntypedText;
import org.oddlantern.json.Words;
import tools.jackson.databind.node.MissingNode;

/** Asks about a cookie that a reply sets. */
record CookieCheck(String words, String name, Shape shape) implements Check {

  @Override
  public List<Finding> examine(Evidence evidence) {
    List<Cookie> cookies = evidence.cookies();
    List<Cookie> named =
        cookies.stream().filter(cookie -> cookie.name().equals(name)).toList();
    if (named.isEmpty()) {
      return shape.examine(Location.ROOT, MissingNode.getInstance()).isEmpty()
          ? List.of()
          : List.of(nothing(cookies.stream().map(Cookie::name).toList()));
    }
    boolean holds = shape instanceof NotShape
        ? named.stream().allMatch(this::fits)
        : named.stream().anyMatch(this::fits);
    return holds
        ? List.of()
        : List.of(Finding.of(place(), shape.words(), Words.quoted(named.get(0).value())));
  }

  private boolean fits(Cookie cookie) {
    return shape.examine(Location.ROOT, UntypedText.of(cookie.value())).isEmpty();
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
