package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** An object with certain fields, whatever their values. */
record FieldNames(List<String> names, boolean only) implements NodeShape {

  @Override
  public String words() {
    return (only ? "an object with only the fields " : "an object with the fields ")
        + Words.names(names);
  }

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    if (!value.isObject()) {
      return List.of(Finding.of(where, words(), Words.withKind(value)));
    }
    List<String> missing = names.stream().filter(name -> !value.has(name)).toList();
    List<String> surplus = new ArrayList<>(value.propertyNames());
    surplus.removeAll(names);
    if (missing.isEmpty() && (!only || surplus.isEmpty())) {
      return List.of();
    }
    Finding finding = Finding.of(where, words(), Words.contents(value));
    if (!missing.isEmpty()) {
      finding = finding.hint("missing: " + Words.names(missing));
    }
    if (only && !surplus.isEmpty()) {
      finding = finding.hint("too many: " + Words.names(surplus));
    }
    return List.of(missing.isEmpty() ? finding : finding.hint(near(missing.get(0), surplus)));
  }

  private static String near(String missing, List<String> surplus) {
    return NearestMatch.among(missing, surplus)
        .map(near -> "is '" + near + "' meant to be '" + missing + "'?")
        .orElse("");
  }
}
