package org.oddlantern.schema.internal;

import java.util.Map;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.internal.text.Format;

/**
 * How schemas are read.
 *
 * @param assumed the draft of a schema that names none
 * @param assertsFormats whether the keyword format refuses values
 * @param formats the formats that are known, by name
 * @param sources where documents come from
 * @param metaSchemas the drafts' own schemas
 * @param checks whether schemas are held against their meta-schema
 * @param side which way the values travel
 */
public record ReadingRules(
    Draft assumed,
    boolean assertsFormats,
    Map<String, Format> formats,
    Sources sources,
    MetaSchemas metaSchemas,
    boolean checks,
    Side side) {

  /** Keeps its own map. */
  public ReadingRules {
    formats = Map.copyOf(formats);
  }

  /** For a meta-schema, which nobody wrote by hand, and whose formats are known when they are read. */
  ReadingRules ofMetaSchema() {
    return new ReadingRules(assumed, false, formats, sources, metaSchemas, false, Side.ANY);
  }

  /** The same, for values that travel one way. */
  public ReadingRules of(Side other) {
    return new ReadingRules(assumed, assertsFormats, formats, sources, metaSchemas, checks, other);
  }
}
