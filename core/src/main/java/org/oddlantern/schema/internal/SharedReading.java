package org.oddlantern.schema.internal;

import java.util.function.Supplier;

/**
 * Reads schemas of the same documents, however many lead into them: each document and each schema in it
 * is read once. Thread-safe.
 */
public final class SharedReading {

  private final ReadingRules rules;
  private final SchemaReading reading;

  /**
   * Nothing is read yet.
   *
   * @param rules how to read
   */
  public SharedReading(ReadingRules rules) {
    this.rules = rules;
    this.reading = new SchemaReading(rules);
  }

  /** How it reads. */
  public ReadingRules rules() {
    return rules;
  }

  /**
   * Reads a schema.
   *
   * @param uri where its document comes from
   * @param document gives the document if it was not read before
   * @param pointer the place in it, a JSON Pointer
   * @throws org.oddlantern.schema.SchemaProblem if it cannot be used
   */
  public synchronized CompiledSchema read(
      String uri, Supplier<Document> document, String pointer) {
    return new CompiledSchema(reading.read(reading.known(uri, document), pointer));
  }
}
