package org.oddlantern.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.ChangedPlaces;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What {@link Fields} promises. */
final class FieldsShape implements Fields, NodeShape {

  private final Map<String, NodeShape> shapes;
  private final boolean closed;
  private final ChangedPlaces changedPlaces;

  FieldsShape(Map<String, NodeShape> shapes, boolean closed) {
    this.shapes = shapes;
    this.closed = closed;
    this.changedPlaces = new ChangedPlaces(shapes.keySet(), this::fits);
  }

  @Override
  public Fields with(String name, @Nullable Object value) {
    Needed.of(name, "with(name, value): name");
    Map<String, NodeShape> more = new LinkedHashMap<>(shapes);
    more.put(name, NodeShape.of(value));
    return new FieldsShape(more, closed);
  }

  @Override
  public Fields only() {
    return new FieldsShape(shapes, true);
  }

  @Override
  public NodeShape by(JsonMapping mapping) {
    Map<String, NodeShape> same = new LinkedHashMap<>();
    shapes.forEach((name, shape) -> same.put(name, shape.by(mapping)));
    return new FieldsShape(same, closed);
  }

  @Override
  public String words() {
    return (closed ? "an object of only " : "an object with ")
        + (shapes.isEmpty()
            ? "no fields asked for"
            : shapes.entrySet().stream()
                .map(field -> field.getKey() + ": " + field.getValue().words())
                .collect(Collectors.joining(", ")));
  }

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    if (!value.isObject()) {
      return List.of(Finding.of(where, words(), Words.withKind(value)));
    }
    List<Finding> findings = new ArrayList<>();
    shapes.forEach((name, shape) -> findings.addAll(field(where.child(name), name, shape, value)));
    if (closed) {
      value.properties().stream()
          .filter(member -> !shapes.containsKey(member.getKey()))
          .map(member -> Finding.of(
                  where.child(member.getKey()), "no such field", Words.of(member.getValue()))
              .hint(NearestMatch.hint(member.getKey(), shapes.keySet())))
          .forEach(findings::add);
    }
    return findings;
  }

  private List<Finding> field(Location where, String name, NodeShape shape, JsonNode object) {
    JsonNode value = object.path(name);
    List<Finding> findings = shape.examine(where, value);
    if (findings.isEmpty()) {
      return findings;
    }
    if (!value.isMissingNode()) {
      return findings.size() == 1
          ? List.of(findings.get(0).hint(changedPlaces.hint(name, object)))
          : findings;
    }
    return List.of(
        Finding.nothing(where, shape.words(), "the field is missing from " + Words.contents(object))
            .hint(NearestMatch.hint(name, object.propertyNames())));
  }

  private boolean fits(String name, JsonNode value) {
    NodeShape shape = shapes.get(name);
    return shape != null && shape.examine(Location.ROOT, value).isEmpty();
  }
}
