package org.oddlantern.internal.record;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What a record is about. */
public enum RecordKind {
  /** A case. */
  @JsonProperty("case")
  CASE,
  /** The making of something by a supply. */
  @JsonProperty("supply")
  SUPPLY
}
