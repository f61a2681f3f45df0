package org.oddlantern.internal.reports.console;

import java.util.List;
import java.util.stream.Stream;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.json.BadPath;
import org.oddlantern.json.Finding;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The parts of a long body in which something does not hold. */
final class BodyExcerpts {

  private static final int PARTS = 3;

  private BodyExcerpts() {}

  static List<String> of(String body, List<Verdict> verdicts) {
    try {
      JsonNode root = JsonMapping.standard().parse(body);
      return verdicts.stream()
          .filter(verdict -> !verdict.sent())
          .flatMap(verdict -> verdict.findings().stream())
          .flatMap(finding -> around(finding, root))
          .distinct()
          .limit(PARTS)
          .toList();
    } catch (NotJson e) {
      return List.of();
    }
  }

  /** What directly surrounds the place of a finding, if that is not the whole body. */
  private static Stream<String> around(Finding finding, JsonNode root) {
    int end = finding.where().endsWith("]")
        ? finding.where().length() // the item itself, not the whole list
        : finding.where().lastIndexOf('.');
    if (!finding.where().startsWith("$") || end <= 1) {
      return Stream.empty();
    }
    try {
      TreePath path = TreePath.of(finding.where().substring(0, end));
      return path.isSingular()
          ? path.find(root).stream()
              .map(found -> "at " + found.where() + "  " + Words.of(found.value()))
          : Stream.empty();
    } catch (BadPath e) {
      return Stream
          .empty(); // a name with a dot in it: its surroundings are not worth a second parser
    }
  }
}
