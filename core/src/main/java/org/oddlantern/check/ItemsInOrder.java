package org.oddlantern.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.ComparisonMode;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.WantedValue;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What {@link Items} promises. */
final class ItemsInOrder implements Items, ListShape {

  private final List<NodeShape> shapes;
  private final WantedValue inOrder;

  ItemsInOrder(@Nullable Object first, @Nullable Object... more) {
    List<@Nullable Object> all = new ArrayList<>();
    all.add(first);
    all.addAll(Arrays.asList(more));
    this.shapes = all.stream().map(NodeShape::of).toList(); // refuses checks with a sentence
    this.inOrder = WantedValue.of(all, ComparisonMode.EXACTLY);
  }

  private ItemsInOrder(List<NodeShape> shapes, WantedValue inOrder) {
    this.shapes = shapes;
    this.inOrder = inOrder;
  }

  @Override
  public Shape inAnyOrder() {
    return new ItemsInAnyOrder(shapes);
  }

  @Override
  public NodeShape by(JsonMapping mapping) {
    return new ItemsInOrder(
        shapes.stream().map(shape -> shape.by(mapping)).toList(), inOrder.by(mapping));
  }

  @Override
  public String words() {
    return "the items " + inOrder.words();
  }

  @Override
  public List<Finding> ofList(Location where, JsonNode value) {
    return inOrder.differences(where, value);
  }
}
