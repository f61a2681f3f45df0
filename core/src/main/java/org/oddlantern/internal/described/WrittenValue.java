package org.oddlantern.internal.described;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.Writing;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * Reads a value that is written as text in a path, a query, a header, a cookie or a form (OpenAPI 3.1,
 * Parameter Object, Style Examples).
 *
 * @param name the name of the parameter
 * @param writing how it is written
 * @param schema what it is to be
 */
record WrittenValue(String name, Writing writing, @Nullable SchemaView schema) {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

  /** The value in a path, a header or a cookie; null if it is not written as it should be. */
  @Nullable
  JsonNode in(String raw, UnaryOperator<String> decoding) {
    return switch (writing.style()) {
      case LABEL ->
        raw.startsWith(".")
            ? parts(raw.substring(1), writing.explode() ? "." : ",", decoding)
            : null;
      case MATRIX -> matrix(raw, decoding);
      default -> parts(raw, ",", decoding);
    };
  }

  private @Nullable JsonNode matrix(String raw, UnaryOperator<String> decoding) {
    if (!raw.startsWith(";")) {
      return null;
    }
    String inside = raw.substring(1);
    if (writing.explode() && isObject()) {
      return parts(inside, ";", decoding);
    }
    String named = name + "=";
    if (writing.explode() && isList()) {
      List<String> items = new ArrayList<>();
      for (String item : inside.split(";", -1)) {
        if (!item.startsWith(named)) {
          return null;
        }
        items.add(item.substring(named.length()));
      }
      return list(items, decoding);
    }
    return inside.startsWith(named)
        ? parts(inside.substring(named.length()), ",", decoding)
        : inside.equals(name) ? parts("", ",", decoding) : null;
  }

  /** The value among the parameters of a query; null if none of them is part of it. */
  @Nullable
  JsonNode in(Map<String, List<String>> parameters) {
    if (writing.style() == Writing.Style.DEEP) {
      return deep(parameters);
    }
    if (writing.explode() && isObject() && writing.style() == Writing.Style.FORM) {
      return members(parameters);
    }
    List<String> raws = parameters.get(name);
    if (raws == null) {
      return null;
    }
    if (isList() && (writing.explode() || raws.size() > 1)) {
      return list(raws, Where::decoded);
    }
    String raw = raws.get(0);
    return switch (writing.style()) {
      case SPACE -> parts(raw.replace("%20", "+"), "+", Where::decoded);
      case PIPE -> parts(raw.replaceAll("(?i)%7c", "|"), "|", Where::decoded);
      default -> parts(raw, ",", Where::decoded);
    };
  }

  private @Nullable JsonNode deep(Map<String, List<String>> parameters) {
    Pattern member = Pattern.compile(Pattern.quote(name) + "\\[([^\\[\\]]*)]");
    ObjectNode object = MAKE.objectNode();
    parameters.forEach((key, raws) -> {
      Matcher matcher = member.matcher(key);
      if (matcher.matches()) {
        object.set(matcher.group(1), field(matcher.group(1), Where.decoded(raws.get(0))));
      }
    });
    return object.isEmpty() ? null : object;
  }

  private @Nullable JsonNode members(Map<String, List<String>> parameters) {
    ObjectNode object = MAKE.objectNode();
    for (String field : schema == null ? List.<String>of() : schema.fields().keySet()) {
      List<String> raws = parameters.get(field);
      if (raws != null) {
        object.set(field, field(field, Where.decoded(raws.get(0))));
      }
    }
    return object.isEmpty() ? null : object;
  }

  /** A value whose items or members are separated; alone if it is neither list nor object. */
  private @Nullable JsonNode parts(String raw, String separator, UnaryOperator<String> decoding) {
    if (isList()) {
      return list(
          raw.isEmpty() ? List.of() : List.of(raw.split(Pattern.quote(separator), -1)), decoding);
    }
    if (!isObject()) {
      return TypedText.of(decoding.apply(raw), schema);
    }
    Map<String, String> members = new LinkedHashMap<>();
    String[] parts = raw.split(Pattern.quote(separator), -1);
    if (writing.explode()) {
      for (String part : parts) {
        int equals = part.indexOf('=');
        if (equals < 0) {
          return null;
        }
        members.put(part.substring(0, equals), part.substring(equals + 1));
      }
    } else if (parts.length % 2 == 0) {
      for (int i = 0; i < parts.length; i += 2) {
        members.put(parts[i], parts[i + 1]);
      }
    } else {
      return null;
    }
    ObjectNode object = MAKE.objectNode();
    members.forEach((key, value) -> {
      String field = decoding.apply(key);
      object.set(field, field(field, decoding.apply(value)));
    });
    return object;
  }

  private JsonNode list(List<String> raws, UnaryOperator<String> decoding) {
    ArrayNode list = MAKE.arrayNode();
    for (String raw : raws) {
      SchemaView item = schema == null ? null : schema.item(list.size());
      list.add(TypedText.of(decoding.apply(raw), item));
    }
    return list;
  }

  private JsonNode field(String field, String text) {
    return TypedText.of(text, schema == null ? null : schema.field(field));
  }

  private boolean isList() {
    return is("array");
  }

  private boolean isObject() {
    return is("object");
  }

  /** Where it may also be a single value, it is taken for one. */
  private boolean is(String type) {
    return schema != null
        && schema.types().contains(type)
        && schema.types().stream().allMatch(one -> one.equals(type) || one.equals("null"));
  }
}
