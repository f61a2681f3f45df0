package org.oddlantern.demo.beeyard;

/** A believable mistake the service can make on request. */
public enum Fault {
  /** A single inspection is told with {@code queenseen} instead of {@code queenSeen}. */
  MISSPELT_FIELD,
  /** A change of a hive is answered as if it had been made, but it is not stored. */
  LOST_UPDATE,
  /** A new hive is answered without {@code Location}. */
  MISSING_LOCATION,
  /** Inspections of one hive end in a 500 with a line of plain text. */
  PLAIN_TEXT_ERROR,
  /** One inspection of the list tells its frames as text. */
  NUMBER_AS_TEXT
}
