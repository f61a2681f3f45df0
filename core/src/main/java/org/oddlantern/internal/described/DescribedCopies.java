package org.oddlantern.internal.described;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.DescriptionProblem;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.schema.internal.DocumentText;
import org.oddlantern.schema.internal.KnownSources;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Descriptions out of a journal, which holds every document they are made of. */
public final class DescribedCopies {

  private DescribedCopies() {}

  /**
   * Reads a description.
   *
   * @param documents the description, and after it every document that it refers to
   * @throws DescriptionProblem if it cannot be used
   */
  public static ApiDocument read(List<Copy> documents) {
    Copy first = documents.get(0);
    Map<String, JsonNode> others = new HashMap<>();
    try {
      for (Copy one : documents.subList(1, documents.size())) {
        others.put(one.uri(), DocumentText.tree(one.name(), one.text()));
      }
    } catch (SchemaProblem e) {
      throw new DescriptionProblem(e.place(), e.reason());
    }
    // nothing is looked for anywhere else: the description is what it was then
    Resources nowhere = new Resources(new ClassLoader(null) {}, null);
    return KnownDescriptions.ofText(
        first.name(), first.uri(), first.text(), new KnownSources(nowhere, others, Set.of()));
  }

  /**
   * A document.
   *
   * @param name as messages call it
   * @param uri where it came from, as references name it
   * @param text its text
   */
  public record Copy(String name, String uri, String text) {}
}
