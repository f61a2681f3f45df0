package org.oddlantern.json.internal;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/** A list of texts that came without a kind, each an {@link UntypedText}. */
public final class UntypedTexts extends GatheredValues {

  private static final long serialVersionUID = 1L;

  private UntypedTexts(List<JsonNode> texts) {
    super(texts);
  }

  /**
   * A list of texts.
   *
   * @param texts the texts
   * @return the list
   */
  public static UntypedTexts of(List<String> texts) {
    return new UntypedTexts(texts.stream().<JsonNode>map(UntypedText::of).toList());
  }

  /** The findings of a shape that knows kinds: none if all as texts or each as what it reads as fits. */
  public List<Finding> examined(NodeShape shape, Location where) {
    ArrayNode texts = JsonNodeFactory.instance.arrayNode(size());
    ArrayNode read = JsonNodeFactory.instance.arrayNode(size());
    for (JsonNode item : this) {
      List<JsonNode> readings = TextReadings.of(item.stringValue());
      texts.add(readings.get(0));
      read.add(readings.get(readings.size() - 1));
    }
    List<Finding> findings = shape.differences(where, texts);
    return findings.isEmpty() || shape.differences(where, read).isEmpty() ? List.of() : findings;
  }
}
