package org.oddlantern.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.ComposedShape;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.ComparisonMode;
import org.oddlantern.json.internal.UntypedText;
import org.oddlantern.json.internal.WantedValue;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A list of certain items, each a value or a shape, in their order or in any. Made by {@link
 * Shapes#items(Object, Object...)}. Immutable and thread-safe.
 *
 * <pre>{@code
 * at("$.moods", items("calm", "busy").inAnyOrder())
 * }</pre>
 */
public final class Items implements ComposedShape {

  private final List<Shape> shapes;
  private final WantedValue inOrder;

  Items(@Nullable Object first, @Nullable Object... more) {
    List<@Nullable Object> all = new ArrayList<>();
    all.add(first);
    all.addAll(Arrays.asList(more));
    this.shapes = all.stream().map(Shape::of).toList(); // refuses checks with a sentence
    this.inOrder = WantedValue.of(all, ComparisonMode.EXACTLY);
  }

  /**
   * The same items in any order; each item of the list is for one of the wanted.
   *
   * @return the shape
   */
  public Shape inAnyOrder() {
    return new ItemsInAnyOrder(shapes);
  }

  @Override
  public String words() {
    return "the items " + inOrder.words();
  }

  @Override
  public boolean asksAboutLists() {
    return true;
  }

  @Override
  public List<Finding> differences(Location where, JsonNode there) {
    JsonNode value = UntypedText.asList(there);
    return value.isArray()
        ? inOrder.differences(where, value)
        : List.of(Finding.of(where, words(), Words.withKind(value)));
  }
}
