package org.oddlantern.schema.internal;

import java.util.List;
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
   * The document at an address, read if it was not before.
   *
   * @param from the document that refers to it
   * @param uri the address
   * @throws org.oddlantern.schema.SchemaProblem if there is none
   */
  public synchronized Document document(Document from, String uri) {
    return reading.document(from, uri);
  }

  /** Makes a document known, in the way in which schemas in it refer to it. */
  public synchronized void know(Document document) {
    reading.know(document);
  }

  /** The documents that were read so far, but for those of this library. */
  public synchronized List<Document> documents() {
    return reading.documents();
  }

  /**
   * Reads a schema.
   *
   * @param uri where its document comes from
   * @param document gives the document if it was not read before
   * @param pointer the place in it, a JSON Pointer
   * @throws org.oddlantern.schema.SchemaProblem if it cannot be used
   */
  public synchronized CompiledSchema read(String uri, Supplier<Document> document, String pointer) {
    return new CompiledSchema(reading.read(reading.known(uri, document), pointer));
  }
}
