package org.oddlantern.json;

import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Something that stands for a JSON tree and is written as that tree, at any depth. */
public interface JsonSource {

  /**
   * The tree it stands for.
   *
   * @param written writes the values in it
   * @return the tree, which nobody may change
   */
  JsonNode tree(Function<@Nullable Object, JsonNode> written);
}
