package org.oddlantern.config.internal;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.internal.YamlText;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.MappingNode;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.Node;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.NodeTuple;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.SequenceNode;

/** Reads YAML 1.2 as nodes, which know their lines, and refuses what is not of the kind wanted. */
record YamlNodes(String origin) {

  @Nullable
  Node compose(String text) {
    try {
      return YamlText.compose(text).orElse(null);
    } catch (YamlText.NotYaml e) {
      String place = e.place().isEmpty() ? "" : ", " + e.place();
      throw new SettingsProblem(origin + place + ": " + e.getMessage());
    }
  }

  /** The members of a mapping; with known names, another one is a problem. */
  Map<String, Node> members(Node node, String what, @Nullable List<String> known) {
    if (!(node instanceof MappingNode mapping)) {
      throw problem(node, what + " must be a mapping of names to values");
    }
    Map<String, Node> members = new LinkedHashMap<>();
    for (NodeTuple tuple : mapping.getValue()) {
      String name = text(tuple.getKeyNode(), "a key").text();
      if (known != null && !known.contains(name)) {
        throw problem(
            tuple.getKeyNode(),
            "unknown key '%s' in %s; %s"
                .formatted(name, what, new KnownKeys(known).insteadOf(name)));
      }
      if (members.put(name, tuple.getValueNode()) != null) {
        throw problem(tuple.getKeyNode(), "the key '" + name + "' occurs twice in " + what);
      }
    }
    return members;
  }

  boolean isMapping(Node node) {
    return node instanceof MappingNode;
  }

  List<Node> items(Node node, String what) {
    if (node instanceof SequenceNode sequence) {
      return sequence.getValue();
    }
    throw problem(node, what + " must be a list");
  }

  SettingsValue text(Node node, String what) {
    if (node instanceof ScalarNode scalar && !scalar.getValue().isEmpty()) {
      return new SettingsValue(scalar.getValue(), place(node));
    }
    throw problem(node, what + " must be a text that is not empty");
  }

  /** The same, which may be empty: some passwords are. */
  SettingsValue anyText(Node node, String what) {
    return node instanceof ScalarNode scalar && scalar.getValue().isEmpty()
        ? new SettingsValue("", place(node))
        : text(node, what);
  }

  SettingsProblem problem(Node node, String message) {
    return new SettingsProblem(place(node) + ": " + message);
  }

  private String place(Node node) {
    return origin
        + node.getStartMark().map(mark -> ", line " + (mark.getLine() + 1)).orElse("");
  }
}
