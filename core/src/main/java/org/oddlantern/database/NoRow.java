package org.oddlantern.database;

import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Asks that a query gives nothing. */
record NoRow() implements Check {

  @Override
  public String words() {
    return "no row";
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    JsonNode rows = Trees.of(evidence.json());
    return rows.isEmpty()
        ? List.of()
        : List.of(Finding.of(
            "the rows",
            "no row",
            (rows.size() == 1
                ? "1 row: " + Words.of(rows.get(0))
                : rows.size() + " rows: " + Words.of(rows))));
  }
}
