package org.oddlantern.check;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;

/**
 * An item that is not as wanted.
 *
 * @param index its index in the list
 * @param place its place in the document
 * @param identity what it is known by; may be empty
 * @param findings what does not hold
 */
record BadItem(int index, String place, String identity, List<Finding> findings) {

  static BadItem of(int index, Location place, List<Finding> findings) {
    String identity = place.item();
    return new BadItem(
        index,
        place.toString(),
        identity,
        findings.stream()
            .map(finding -> finding.item().isEmpty() ? finding.ofItem(identity) : finding)
            .toList());
  }

  /** Where a finding lies inside the item: {@code .frames}; empty for the item itself. */
  String inside(Finding finding) {
    return finding.where().startsWith(place) ? finding.where().substring(place.length()) : "";
  }

  /** {@code [37] id 4711}. */
  String name() {
    return "[" + index + "]" + (identity.isEmpty() ? "" : " " + identity);
  }
}
