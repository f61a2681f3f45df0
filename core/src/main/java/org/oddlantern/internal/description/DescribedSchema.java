package org.oddlantern.internal.description;

import org.oddlantern.schema.internal.CompiledSchema;
import org.oddlantern.schema.internal.Document;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A schema of a description.
 *
 * @param compiled judges by it
 * @param document where it stands
 * @param pointer the place in it
 * @param node the schema itself, maybe a reference
 */
public record DescribedSchema(
    CompiledSchema compiled, Document document, String pointer, JsonNode node) {}
