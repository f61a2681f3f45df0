package org.oddlantern.evidence.internal;

import java.util.List;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.json.CostlyPath;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.json.internal.TypeMismatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.DeadEnd;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Reads typed values from evidence, or says how far it came. */
record Reading(JudgedEvidence evidence, String words, Class<?> type) {

  <T> T value(TreePath path, Class<T> wanted) {
    JsonNode root = root();
    FoundNode found = path.findOne(root);
    if (found.value().isMissingNode()) {
      DeadEnd end = path.end(root);
      throw failed(Finding.nothing(path, wanted(), end.stopped()).hint(end.hint()));
    }
    return read(found, wanted);
  }

  <T> List<T> values(TreePath path, Class<T> wanted) {
    try {
      return path.find(root()).stream().map(found -> read(found, wanted)).toList();
    } catch (CostlyPath e) {
      throw failed(Finding.of(path, wanted(), "no answer: " + e.getMessage()));
    }
  }

  <T> List<T> items(Class<T> wanted) {
    JsonNode root = root();
    if (!root.isArray()) {
      throw failed(Finding.of(
          Location.ROOT,
          "a list of items that can be read as " + Words.of(type),
          Words.contents(root)));
    }
    return values(TreePath.of("$[*]"), wanted);
  }

  private String wanted() {
    return "a value that can be read as " + Words.of(type);
  }

  private <T> T read(FoundNode found, Class<T> wanted) {
    if (found.value().isNull()) {
      throw failed(Finding.of(found.where(), wanted(), "null"));
    }
    try {
      return evidence.hearingMapping().read(found.value(), wanted);
    } catch (TypeMismatch e) {
      FoundNode inner = e.inside(found);
      throw failed(
          Finding.of(inner.where(), e.wanted(), Words.withKind(inner.value())).hint(e.reason()));
    }
  }

  private JsonNode root() {
    try {
      return Trees.of(evidence.json());
    } catch (NotJson e) {
      throw failed(
          NotWhatItClaims.json(evidence, e, "a JSON body, to be read as " + Words.of(type)));
    }
  }

  private CheckFailed failed(Finding finding) {
    return evidence.failed(new Verdict(words, false, List.of(finding)));
  }
}
