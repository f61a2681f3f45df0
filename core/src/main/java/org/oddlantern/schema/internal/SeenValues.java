package org.oddlantern.schema.internal;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** What all samples had at one place. For one sketch, in one thread. */
public final class SeenValues {

  private final Map<String, SeenValues> fields = new LinkedHashMap<>();
  private final SampleTexts texts = new SampleTexts();
  private @Nullable SeenValues items;
  private int seen;
  private int kinds;
  private int objects;
  private boolean fractions;

  /** Nothing was there yet. */
  public SeenValues() {}

  /** One more value at this place. */
  public void add(JsonNode value) {
    seen++;
    kinds |= 1 << Kind.of(value);
    if (value.isObject()) {
      objects++;
      value
          .properties()
          .forEach(field -> fields
              .computeIfAbsent(field.getKey(), name -> new SeenValues())
              .add(field.getValue()));
    } else if (value.isArray()) {
      for (JsonNode item : value) {
        items = items == null ? new SeenValues() : items;
        items.add(item);
      }
    } else if (value.isString()) {
      texts.add(value.stringValue());
    } else if (value.isNumber()) {
      fractions |= !Numbers.isWhole(value);
    }
  }

  /** Writes what holds for all of them. */
  public void write(ObjectNode schema, boolean closed) {
    type(schema);
    boolean onlyTexts = (kinds & ~Kind.NULL) == Kind.TEXT;
    texts.write(schema, onlyTexts, (kinds & Kind.NULL) != 0);
    if (objects > 0) {
      object(schema, closed);
    }
    if (items != null) {
      items.write(schema.putObject("items"), closed);
    }
  }

  private void type(ObjectNode schema) {
    ArrayNode types = schema.arrayNode();
    add(types, Kind.OBJECT, "object");
    add(types, Kind.LIST, "array");
    add(types, Kind.TEXT, "string");
    add(types, Kind.NUMBER, fractions ? "number" : "integer");
    add(types, Kind.TRUTH, "boolean");
    add(types, Kind.NULL, "null");
    schema.set("type", types.size() == 1 ? types.get(0) : types);
  }

  private void add(ArrayNode types, int kind, String name) {
    if ((kinds & kind) != 0) {
      types.add(name);
    }
  }

  private void object(ObjectNode schema, boolean closed) {
    ObjectNode properties = schema.putObject("properties");
    ArrayNode required = schema.arrayNode();
    fields.forEach((name, field) -> {
      field.write(properties.putObject(name), closed);
      if (field.seen == objects) {
        required.add(name);
      }
    });
    if (!required.isEmpty()) {
      schema.set("required", required);
    }
    if (closed) {
      schema.put("additionalProperties", false);
    }
  }
}
