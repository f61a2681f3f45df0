package org.oddlantern.schema;

/** The forms in which the specification writes an outcome as data (2020-12 core, section 12.4). */
public enum OutputForm {
  /** Valid or not, and no more. */
  FLAG,
  /** A flat list of what does not hold, each with its places in value and schema. */
  BASIC,
  /** What does not hold, nested as the schema is. */
  DETAILED
}
