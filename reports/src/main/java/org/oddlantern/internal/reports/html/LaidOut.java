package org.oddlantern.internal.reports.html;

import java.util.List;

/**
 * A body laid out over lines.
 *
 * @param lines its lines, or the first of them
 * @param more how many others it has, which were never made
 */
record LaidOut(List<LaidOutLine> lines, int more) {

  int count() {
    return lines.size() + more;
  }
}
