package org.oddlantern.json.internal.path;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.IntNode;

/** Something with one value, or with nothing, in a filter. */
public sealed interface Operand {

  /** Its value; null is nothing at all. */
  @Nullable
  JsonNode value(JsonNode current, Search search);

  /** A value written in the path. */
  record Literal(JsonNode literal) implements Operand {
    @Override
    public JsonNode value(JsonNode current, Search search) {
      return literal;
    }
  }

  /** What a singular query leads to. */
  record Place(Query query) implements Operand {
    @Override
    public @Nullable JsonNode value(JsonNode current, Search search) {
      return query.one(current, search);
    }
  }

  /** The function {@code length}: code points, items or members. */
  record Length(Operand of) implements Operand {
    @Override
    public @Nullable JsonNode value(JsonNode current, Search search) {
      JsonNode measured = of.value(current, search);
      if (measured == null) {
        return null;
      }
      if (measured.isString()) {
        String text = measured.stringValue();
        return IntNode.valueOf(text.codePointCount(0, text.length()));
      }
      return measured.isContainer() ? IntNode.valueOf(measured.size()) : null;
    }
  }

  /** The function {@code count}. */
  record Count(Query query) implements Operand {
    @Override
    public JsonNode value(JsonNode current, Search search) {
      return IntNode.valueOf(query.values(current, search).size());
    }
  }

  /** The function {@code value}: the value if there is exactly one. */
  record Only(Query query) implements Operand {
    @Override
    public @Nullable JsonNode value(JsonNode current, Search search) {
      List<JsonNode> found = query.values(current, search);
      return found.size() == 1 ? found.get(0) : null;
    }
  }
}
