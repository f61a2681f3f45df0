package org.oddlantern.internal.description;

import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.schema.internal.CompiledSchema;
import org.oddlantern.schema.internal.Document;
import org.oddlantern.schema.internal.SharedReading;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A schema of a description, read when it is needed first. Thread-safe. */
public final class DescribedSchema {

  private final SharedReading reading;
  private final Document document;
  private final String pointer;
  private final JsonNode node;
  private volatile @Nullable CompiledSchema compiled;

  DescribedSchema(SharedReading reading, Document document, String pointer, JsonNode node) {
    this.reading = reading;
    this.document = document;
    this.pointer = pointer;
    this.node = node;
  }

  /**
   * What judges by it.
   *
   * @throws DescriptionProblem if it cannot be used
   */
  public CompiledSchema compiled() {
    CompiledSchema known = compiled;
    if (known == null) {
      try {
        known = reading.read(document.uri(), () -> document, pointer);
      } catch (SchemaProblem e) {
        throw DescriptionProblem.of(e);
      }
      compiled = known;
    }
    return known;
  }

  /** The schema itself, maybe a reference. */
  public JsonNode node() {
    return node;
  }
}
