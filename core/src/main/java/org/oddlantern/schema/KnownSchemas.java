package org.oddlantern.schema;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Resources;

/** The schemas of a run by their names, so that each is read once. Thread-safe; the runner makes it. */
public final class KnownSchemas {

  private final SchemaReader reader;
  private final Map<String, Schema> schemas = new ConcurrentHashMap<>();

  /**
   * None known yet.
   *
   * @param reader reads them
   * @param resources where their files are
   */
  public KnownSchemas(SchemaReader reader, Resources resources) {
    this.reader = reader.in(resources);
  }

  /**
   * The schema of a name.
   *
   * @param name as for {@link SchemaReader#named}
   * @return the schema
   * @throws IllegalArgumentException if it is missing or cannot be used
   */
  public Schema named(String name) {
    return schemas.computeIfAbsent(name, reader::named);
  }

  static Schema current(String name) {
    return CurrentCase.part(KnownSchemas.class)
        .map(known -> known.named(name))
        .orElseGet(() -> SchemaReader.standard().named(name));
  }

  static SchemaReader currentReader() {
    return CurrentCase.part(KnownSchemas.class)
        .map(known -> known.reader)
        .orElseGet(SchemaReader::standard);
  }
}
