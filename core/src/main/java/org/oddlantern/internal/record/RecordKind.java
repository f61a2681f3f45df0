package org.oddlantern.internal.record;

/** What a record is about. */
public enum RecordKind {
  /** A case. */
  CASE,
  /** The making of something by a supply. */
  SUPPLY
}
