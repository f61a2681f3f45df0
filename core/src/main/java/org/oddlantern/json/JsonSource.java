package org.oddlantern.json;

import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** Something that stands for a JSON tree and is written as that tree, at any depth. */
public interface JsonSource {

  /**
   * The tree it stands for.
   *
   * @param written writes the values in it
   * @return the tree, which nobody may change
   */
  Json tree(Function<@Nullable Object, Json> written);
}
