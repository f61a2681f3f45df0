package org.oddlantern.schema.internal;

/**
 * Which way a value travels: fields marked {@code readOnly} are for replies alone, those marked {@code
 * writeOnly} for requests alone (OpenAPI 3.0 and 3.1, Schema Object).
 */
public enum Side {
  /** Nobody says. */
  ANY(""),
  /** To the service. */
  REQUEST("readOnly"),
  /** From the service. */
  REPLY("writeOnly");

  private final String mark;

  Side(String mark) {
    this.mark = mark;
  }

  /** What marks a field that does not travel this way; empty if all do. */
  String mark() {
    return mark;
  }
}
