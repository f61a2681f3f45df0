package org.oddlantern.cli;

import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.StreamSupport;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JsonPointer;
import tools.jackson.databind.JsonNode;

/** References within a schema that lead back to themselves, so that no value can ever be judged. */
final class EndlessReference {

  private final JsonNode document;

  private EndlessReference(JsonNode document) {
    this.document = document;
  }

  /** The way of the first there is, like {@code # -> #/$defs/a -> #}. */
  static Optional<String> in(JsonNode document) {
    return new EndlessReference(document).below(document);
  }

  private Optional<String> below(JsonNode node) {
    String way = way(node);
    return way.isEmpty()
        ? StreamSupport.stream(node.spliterator(), false)
            .flatMap(child -> below(child).stream())
            .findFirst()
        : Optional.of(way);
  }

  private String way(JsonNode start) {
    Set<String> way = new LinkedHashSet<>();
    for (String to = target(start); to != null; to = target(document.at(pointer(to)))) {
      if (!way.add(to)) {
        return String.join(" -> ", way) + " -> " + to;
      }
    }
    return "";
  }

  /** Where the reference of a schema leads, if it stays within the document. */
  private static @Nullable String target(JsonNode schema) {
    String to = schema.path("$ref").asString("");
    return to.equals("#") || to.startsWith("#/") ? to : null;
  }

  private static JsonPointer pointer(String reference) {
    return JsonPointer.compile(reference.substring(1));
  }
}
