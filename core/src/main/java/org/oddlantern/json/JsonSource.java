package org.oddlantern.json;

import tools.jackson.databind.JsonNode;

/** Something that stands for a JSON tree and is written as that tree, at any depth. */
public interface JsonSource {

  /**
   * The tree it stands for.
   *
   * @param mapping how the values in it are written
   * @return the tree, which nobody may change
   */
  JsonNode tree(JsonMapping mapping);
}
