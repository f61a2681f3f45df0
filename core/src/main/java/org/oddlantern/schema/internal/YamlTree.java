package org.oddlantern.schema.internal;

import java.math.BigDecimal;
import java.math.BigInteger;
import org.oddlantern.internal.YamlText;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.MappingNode;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.Node;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.NodeTuple;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.SequenceNode;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.Tag;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Reads YAML 1.2 by its JSON schema into a tree, so that an API description in YAML can be reached into. */
final class YamlTree {

  /** Aliases can multiply a small text beyond all memory. */
  private static final int MOST_NODES = 2_000_000;

  private static final int DEEPEST = 1_000;

  private final String name;
  private int nodes;

  private YamlTree(String name) {
    this.name = name;
  }

  static JsonNode of(String name, String text) {
    try {
      Node root = YamlText.compose(text).orElse(null);
      return root == null ? JsonNodeFactory.instance.nullNode() : new YamlTree(name).tree(root, 0);
    } catch (YamlText.NotYaml e) {
      String place = e.place().isEmpty() ? "" : e.place() + ": ";
      throw new SchemaProblem(name, place + e.getMessage());
    }
  }

  private JsonNode tree(Node node, int depth) {
    if (++nodes > MOST_NODES || depth > DEEPEST) {
      throw problem(node, "its aliases or its nesting make it larger than can be read");
    }
    if (node instanceof MappingNode mapping) {
      return object(mapping, depth);
    }
    if (node instanceof SequenceNode sequence) {
      ArrayNode list = JsonNodeFactory.instance.arrayNode();
      sequence.getValue().forEach(item -> list.add(tree(item, depth + 1)));
      return list;
    }
    return scalar((ScalarNode) node);
  }

  private ObjectNode object(MappingNode mapping, int depth) {
    ObjectNode object = JsonNodeFactory.instance.objectNode();
    for (NodeTuple member : mapping.getValue()) {
      if (!(member.getKeyNode() instanceof ScalarNode key)) {
        throw problem(member.getKeyNode(), "a key that is no text has no place in JSON");
      }
      if (object.has(key.getValue())) {
        throw problem(key, "the key '" + key.getValue() + "' occurs twice");
      }
      object.set(key.getValue(), tree(member.getValueNode(), depth + 1));
    }
    return object;
  }

  private JsonNode scalar(ScalarNode node) {
    String text = node.getValue();
    JsonNodeFactory make = JsonNodeFactory.instance;
    Tag tag = node.getTag();
    if (tag.equals(Tag.NULL)) {
      return make.nullNode();
    }
    if (tag.equals(Tag.BOOL)) {
      return make.booleanNode(text.equals("true"));
    }
    try {
      if (tag.equals(Tag.INT)) {
        BigInteger number = new BigInteger(text);
        return number.bitLength() < Long.SIZE
            ? make.numberNode(number.longValue())
            : make.numberNode(number);
      }
      return tag.equals(Tag.FLOAT) ? make.numberNode(new BigDecimal(text)) : make.stringNode(text);
    } catch (NumberFormatException e) {
      throw problem(node, "the number " + text + " cannot be written as JSON");
    }
  }

  private SchemaProblem problem(Node node, String reason) {
    String line =
        node.getStartMark().map(mark -> "line " + (mark.getLine() + 1) + ": ").orElse("");
    return new SchemaProblem(name, line + reason);
  }
}
