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
 */
public record ReadingRules(
    Draft assumed,
    boolean assertsFormats,
    Map<String, Format> formats,
    Sources sources,
    MetaSchemas metaSchemas,
    boolean checks) {

  /** Keeps its own map. */
  public ReadingRules {
    formats = Map.copyOf(formats);
  }

  /** For a meta-schema, which nobody wrote by hand, and whose formats are known when they are read. */
  ReadingRules ofMetaSchema() {
    return new ReadingRules(assumed, false, formats, sources, metaSchemas, false);
  }
}
