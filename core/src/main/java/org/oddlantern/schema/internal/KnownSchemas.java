package org.oddlantern.schema.internal;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Resources;
import org.oddlantern.schema.Schema;
import org.oddlantern.schema.SchemaReader;

/** The schemas of a run by their names, so that each is read once. Thread-safe; the runner makes it. */
public final class KnownSchemas {

  private final SchemaReader reader;
  private final Resources resources;
  private final Map<String, Schema> schemas = new ConcurrentHashMap<>();

  /**
   * None known yet.
   *
   * @param reader reads them
   * @param resources where their files are
   */
  public KnownSchemas(SchemaReader reader, Resources resources) {
    this.reader = reader.remembering();
    this.resources = resources;
  }

  /**
   * The schema of a name.
   *
   * @param name as for {@link SchemaReader#named}
   * @return the schema
   * @throws IllegalArgumentException if it is missing or cannot be used
   */
  public Schema named(String name) {
    return schemas.computeIfAbsent(name, this::read);
  }

  private Schema read(String name) {
    try (CurrentCase.Binding binding = CurrentCase.adding(resources)) {
      return reader.named(name);
    }
  }

  /** The schema of that name, read as the run at work reads it. */
  public static Schema current(String name) {
    return CurrentCase.part(KnownSchemas.class)
        .map(known -> known.named(name))
        .orElseGet(() -> SchemaReader.standard().named(name));
  }

  /** What reads schemas for the run at work; the usual one outside of a run. */
  public static SchemaReader currentReader() {
    return CurrentCase.part(KnownSchemas.class)
        .map(known -> known.reader)
        .orElseGet(SchemaReader::standard);
  }
}
