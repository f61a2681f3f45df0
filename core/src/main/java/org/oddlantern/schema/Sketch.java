package org.oddlantern.schema;

import java.util.List;
import org.oddlantern.json.Json;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.schema.internal.SeenValues;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * Makes a first schema from samples, to be tightened by hand: types, fields that are always there,
 * values that may be null, formats that all texts of a place have, the few values that repeat over many
 * samples. The schema accepts every sample. Immutable and thread-safe.
 *
 * <pre>{@code
 * Json schema = Sketch.open().of(replies);
 * }</pre>
 */
public final class Sketch {

  private final boolean closed;

  private Sketch(boolean closed) {
    this.closed = closed;
  }

  /**
   * Sketches that allow fields no sample had.
   *
   * @return the sketch
   */
  public static Sketch open() {
    return new Sketch(false);
  }

  /**
   * Sketches that allow no field but those that some sample had.
   *
   * @return the sketch
   */
  public static Sketch closed() {
    return new Sketch(true);
  }

  /**
   * The schema of some samples.
   *
   * @param samples one or more values
   * @return a schema of draft 2020-12
   * @throws IllegalArgumentException if there is no sample
   */
  public Json of(List<Json> samples) {
    if (samples.isEmpty()) {
      throw new IllegalArgumentException("a sketch needs at least one sample");
    }
    SeenValues all = new SeenValues();
    samples.forEach(sample -> all.add(Trees.of(sample)));
    ObjectNode schema = JsonNodeFactory.instance.objectNode();
    schema.put("$schema", Draft.DRAFT_2020_12.uri());
    all.write(schema, closed);
    return Json.of(schema);
  }
}
