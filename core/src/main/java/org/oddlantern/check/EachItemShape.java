package org.oddlantern.check;

import java.util.List;
import java.util.function.Function;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.Identity;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What {@link EachItem} promises. */
final class EachItemShape implements EachItem, ListShape {

  private final NodeShape item;
  private final Function<JsonNode, String> identity;

  EachItemShape(NodeShape item) {
    this(item, Identity::of);
  }

  private EachItemShape(NodeShape item, Function<JsonNode, String> identity) {
    this.item = item;
    this.identity = identity;
  }

  @Override
  public EachItemShape identifiedBy(String path) {
    Needed.of(path, "identifiedBy(path): path");
    TreePath parsed = TreePath.of(path);
    parsed.steps();
    return new EachItemShape(item, value -> Identity.of(value, parsed));
  }

  @Override
  public EachItemShape by(JsonMapping mapping) {
    return new EachItemShape(item.by(mapping), identity);
  }

  @Override
  public String words() {
    return "a list whose every item is " + item.words();
  }

  @Override
  public List<Finding> ofList(Location where, JsonNode value) {
    if (value.isEmpty()) {
      return List.of(Finding.of(where, words(), "an empty list")
          .hint("over no item at all this proves nothing; size(0) wants an empty list"));
    }
    BadItems bad = null;
    for (int i = 0; i < value.size(); i++) {
      if (!item.examine(where, value.get(i)).isEmpty()) {
        bad = bad == null ? new BadItems(where, value.size()) : bad;
        Location place = where.child(i);
        bad.add(BadItem.of(
            i, place.knownAs(identity.apply(value.get(i))), item.examine(place, value.get(i))));
      }
    }
    return bad == null ? List.of() : bad.findings();
  }
}
