package org.oddlantern.check;

import java.util.List;
import java.util.Locale;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/** Asks about a header; one fitting value of several is enough. */
record HeaderCheck(String words, String name, NodeShape shape) implements Check {

  @Override
  public List<Finding> examine(Evidence evidence) {
    List<String> values = evidence.headers().all(name);
    return holds(values) ? List.of() : List.of(finding(evidence, values));
  }

  private boolean holds(List<String> values) {
    return values.isEmpty()
        ? shape.examine(Location.ROOT, MissingNode.getInstance()).isEmpty()
        : new RepeatedTexts(values).have(shape);
  }

  private Finding finding(Evidence evidence, List<String> values) {
    String wanted = shape.words();
    if (!values.isEmpty()) {
      List<String> quoted =
          values.stream().map(value -> Words.of(StringNode.valueOf(value))).toList();
      return Finding.of("header " + name, wanted, String.join(" and ", quoted));
    }
    List<String> names = evidence.headers().names();
    String there = names.isEmpty() ? "there are none at all" : "there are " + Words.names(names);
    return Finding.of("header " + name, wanted, "no such header; " + there)
        .hint(NearestMatch.hint(name, names));
  }

  @Override
  public String subject() {
    return "header " + name.toLowerCase(Locale.ROOT);
  }
}
