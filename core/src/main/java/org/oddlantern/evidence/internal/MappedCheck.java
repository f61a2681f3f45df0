package org.oddlantern.evidence.internal;

import org.oddlantern.evidence.Check;
import org.oddlantern.json.internal.JsonMapping;

/** A check of values, which are written as the service that it asks writes them. */
public interface MappedCheck extends Check {

  /**
   * The same check with its values written by a mapping.
   *
   * @param mapping the mapping of what is looked at
   * @return the check
   */
  Check by(JsonMapping mapping);
}
