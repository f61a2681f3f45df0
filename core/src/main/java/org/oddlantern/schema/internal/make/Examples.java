package org.oddlantern.schema.internal.make;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.payload.Fresh;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * Makes values that fit a schema, from nothing: every field that may be there is, as far as that goes. What
 * is made is judged by the schema itself, and made again otherwise if it does not fit.
 */
public final class Examples {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final int TRIES = 25;
  private static final int DEEPEST = 7;
  private static final int DEEPEST_OPTIONAL = 4;
  private static final int LONGEST_LIST = 50;

  private final Chance chance;

  private Examples(Chance chance) {
    this.chance = chance;
  }

  /**
   * A value that fits.
   *
   * @param schema the schema
   * @param fresh gives what is new in it
   * @return the value; empty if none could be made
   */
  public static Optional<JsonNode> of(SchemaView schema, Fresh fresh) {
    return Optional.ofNullable(new Examples(new Chance(fresh)).made(schema, 0));
  }

  private @Nullable JsonNode made(SchemaView schema, int depth) {
    if (depth > DEEPEST || schema.takesNone()) {
      return null;
    }
    JsonNode named = named(schema);
    if (named != null) {
      return named;
    }
    List<SchemaView> forms = forms(schema);
    int tries = depth == 0 ? TRIES : 5;
    for (int i = 0; i < tries; i++) {
      for (SchemaView form : forms) {
        JsonNode value = value(form, depth, i);
        if (value != null && schema.accepts(value)) {
          return value;
        }
      }
    }
    return given(schema);
  }

  /** One of a few values that are named. */
  private @Nullable JsonNode named(SchemaView schema) {
    List<JsonNode> fit = new ArrayList<>();
    for (JsonNode layer : schema.layers()) {
      if (layer.has("const") && schema.accepts(layer.path("const"))) {
        return layer.path("const");
      }
      for (JsonNode value : layer.path("enum")) {
        if (schema.accepts(value) && !value.isNull()) {
          fit.add(value);
        }
      }
    }
    return fit.isEmpty() ? null : chance.pick(fit);
  }

  /** What the schema itself gives for an example. */
  private static @Nullable JsonNode given(SchemaView schema) {
    for (JsonNode layer : schema.layers()) {
      List<JsonNode> all = new ArrayList<>(List.of(layer.path("example"), layer.path("default")));
      layer.path("examples").forEach(all::add);
      for (JsonNode one : all) {
        if (!one.isMissingNode() && schema.accepts(one)) {
          return one;
        }
      }
    }
    return null;
  }

  /** The schema with one form of each choice: the first of each, then others of the first choice. */
  private static List<SchemaView> forms(SchemaView schema) {
    List<List<SchemaView>> choices = schema.choices();
    List<SchemaView> forms = new ArrayList<>(List.of(schema));
    for (List<SchemaView> choice : choices) {
      List<SchemaView> longer = new ArrayList<>();
      for (SchemaView form : forms) {
        choice.stream().limit(forms.size() > 8 ? 1 : 8).forEach(one -> longer.add(form.with(one)));
      }
      forms = longer;
    }
    return forms;
  }

  private @Nullable JsonNode value(SchemaView schema, int depth, int attempt) {
    return switch (type(schema)) {
      case "object" -> object(schema, depth, attempt);
      case "array" -> list(schema, depth, attempt);
      case "integer" -> number(schema, true);
      case "number" -> number(schema, false);
      case "boolean" -> MAKE.booleanNode(chance.below(2) == 1);
      case "null" -> MAKE.nullNode();
      default -> text(schema);
    };
  }

  private static String type(SchemaView schema) {
    Set<String> types = new LinkedHashSet<>(schema.types());
    if (types.size() > 1) {
      types.remove("null");
    }
    for (JsonNode layer : schema.layers()) {
      JsonNode own = layer.path("type");
      if (own.isString() && types.contains(own.stringValue())) {
        return own.stringValue(); // all layers must take it
      }
    }
    if (!types.isEmpty()) {
      return types.iterator().next();
    }
    if (!schema.fields().isEmpty()
        || has(schema, "patternProperties")
        || has(schema, "required")
        || has(schema, "minProperties")) {
      return "object";
    }
    if (!schema.items().isEmpty() || has(schema, "contains") || has(schema, "minItems")) {
      return "array";
    }
    return has(schema, "minimum") || has(schema, "maximum") || has(schema, "multipleOf")
        ? "number"
        : "string";
  }

  private static boolean has(SchemaView schema, String keyword) {
    return schema.layers().stream().anyMatch(layer -> layer.has(keyword));
  }

  private @Nullable JsonNode object(SchemaView schema, int depth, int attempt) {
    Set<String> required = new LinkedHashSet<>();
    schema
        .layers()
        .forEach(layer -> layer.path("required").forEach(name -> required.add(name.asString(""))));
    ObjectNode object = MAKE.objectNode();
    for (Map.Entry<String, SchemaView> field : schema.fields().entrySet()) {
      boolean needed = required.contains(field.getKey());
      // later attempts leave optional fields out, one way or another
      boolean wanted =
          depth < DEEPEST_OPTIONAL && (attempt == 0 || attempt > 1 && chance.below(2) == 0);
      if (needed || wanted) {
        JsonNode value = made(field.getValue(), depth + 1);
        if (value != null) {
          object.set(field.getKey(), value);
        } else if (needed) {
          return null;
        }
      }
    }
    required.addAll(schema.needed(object));
    for (String name : required) {
      if (!object.has(name) && !put(object, name, schema, depth)) {
        return null;
      }
    }
    return withOthers(object, schema, depth, attempt);
  }

  /** With fields that have no name of their own. */
  private @Nullable JsonNode withOthers(
      ObjectNode object, SchemaView schema, int depth, int attempt) {
    FieldNames names = new FieldNames(schema, chance);
    if (depth < DEEPEST_OPTIONAL && attempt == 0) {
      for (String pattern : schema.namePatterns()) {
        names.matching(pattern).ifPresent(name -> put(object, name, schema, depth));
      }
    }
    int least = (int) Limits.least(schema.layers(), "minProperties");
    while (object.size() < Math.min(least, LONGEST_LIST)) {
      Optional<String> name = names.another(object);
      if (name.isEmpty() || !put(object, name.get(), schema, depth)) {
        return null;
      }
    }
    return object;
  }

  private boolean put(ObjectNode object, String name, SchemaView schema, int depth) {
    JsonNode value = orAny(schema.field(name), depth);
    if (value != null) {
      object.set(name, value);
    }
    return value != null;
  }

  private @Nullable JsonNode orAny(@Nullable SchemaView schema, int depth) {
    return schema == null ? MAKE.stringNode(chance.text(6)) : made(schema, depth + 1);
  }

  private JsonNode list(SchemaView schema, int depth, int attempt) {
    long least = Limits.least(schema.layers(), "minItems");
    long most = Math.min(LONGEST_LIST, Limits.most(schema.layers(), "maxItems"));
    ArrayNode list = MAKE.arrayNode();
    fill(list, Math.min(schema.firstItems(), most), schema, depth);
    for (SchemaView.Wanted wanted : schema.wanted()) {
      long found = list.valueStream().filter(wanted.item()::accepts).count();
      SchemaView rest = schema.item(list.size());
      SchemaView both = rest == null ? wanted.item() : wanted.item().with(rest);
      for (long i = found; i < wanted.least() && list.size() < most; i++) {
        JsonNode item = made(both, depth + 1);
        if (item != null) {
          list.add(item);
        }
      }
    }
    boolean two = attempt == 0 && depth < DEEPEST_OPTIONAL && schema.firstItems() == 0;
    fill(list, Math.min(Math.max(least, two ? 2 : least), most), schema, depth);
    return list;
  }

  private void fill(ArrayNode list, long size, SchemaView schema, int depth) {
    for (int i = list.size(); i < size; i++) {
      JsonNode item = orAny(schema.item(list.size()), depth);
      if (item != null) {
        list.add(item);
      }
    }
  }

  private static JsonNode number(SchemaView schema, boolean whole) {
    Bounds bounds = Bounds.of(schema.layers());
    BigDecimal least = bounds.smallest(whole);
    BigDecimal most = bounds.largest(whole);
    BigDecimal step = bounds.step(whole);
    BigDecimal value;
    if (least != null && most != null) {
      BigDecimal steps =
          most.subtract(least).divideToIntegralValue(step.multiply(BigDecimal.valueOf(2)));
      value = least.add(steps.multiply(step));
    } else if (least != null) {
      value = least.add(step);
    } else if (most != null) {
      value = most.subtract(step);
    } else {
      value = step.multiply(BigDecimal.TEN);
    }
    return number(value);
  }

  static JsonNode number(BigDecimal value) {
    BigDecimal plain = value.stripTrailingZeros();
    return plain.scale() <= 0 && plain.precision() - plain.scale() < 18
        ? MAKE.numberNode(plain.longValueExact())
        : MAKE.numberNode(plain);
  }

  private @Nullable JsonNode text(SchemaView schema) {
    String text = Texts.of(schema, chance);
    return text == null ? null : MAKE.stringNode(text);
  }
}
