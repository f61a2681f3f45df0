package org.oddlantern.schema.internal;

import java.util.Locale;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Reads the text of a document, JSON or YAML. */
public final class DocumentText {

  private DocumentText() {}

  /**
   * The tree in a text.
   *
   * @param name what messages call it; one that ends in .json is not taken for YAML
   * @param text the text
   * @throws SchemaProblem if it is neither, with line and column
   */
  public static JsonNode tree(String name, String text) {
    String file = name.toLowerCase(Locale.ROOT);
    boolean yaml = file.endsWith(".yaml") || file.endsWith(".yml");
    boolean json = file.endsWith(".json");
    if (yaml || !json && !looksLikeJson(text)) {
      return YamlTree.of(name, text);
    }
    try {
      return JsonMapping.standard().parse(text);
    } catch (NotJson e) {
      throw new SchemaProblem(name, "this is not JSON: " + e.around(text));
    }
  }

  private static boolean looksLikeJson(String text) {
    int first = 0;
    while (first < text.length() && Character.isWhitespace(text.charAt(first))) {
      first++;
    }
    return first == text.length() || text.charAt(first) == '{' || text.charAt(first) == '[';
  }
}
