package org.oddlantern.internal.described;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.DescribedSchema;
import org.oddlantern.internal.description.MediaRange;
import org.oddlantern.internal.description.MediaType;
import org.oddlantern.internal.description.Writing;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * A body as the value that a schema judges.
 *
 * @param tree the value; null if it is none, or nothing is known of it
 * @param problem why it is none; empty if it is one
 */
record BodyReading(@Nullable JsonNode tree, String problem) {

  private static final BodyReading UNKNOWN = new BodyReading(null, "");
  private static final Writing USUAL = new Writing(Writing.Style.FORM, true);

  /**
   * Reads a body.
   *
   * @param body the body
   * @param contentType its media type, as it was sent
   * @param described what is said of it
   */
  static BodyReading of(Facts.Body body, String contentType, MediaType described) {
    MediaRange type = MediaRange.of(contentType);
    DescribedSchema schema = described.schema();
    if (type.isMultipart()) {
      return new BodyReading(
          parts(body, schema == null ? null : schema.compiled().view()), "");
    }
    String text = body.text();
    if (text == null) {
      return UNKNOWN;
    }
    if (type.isJson()) {
      try {
        return new BodyReading(JsonMapping.standard().parse(text), "");
      } catch (NotJson e) {
        return new BodyReading(null, text.contains(Facts.MASK) ? "" : line(e, text));
      }
    }
    if (type.isForm()) {
      return new BodyReading(form(text, described), "");
    }
    return type.isPlainText() && schema != null
        ? new BodyReading(TypedText.of(text, schema.compiled().view()), "")
        : UNKNOWN;
  }

  private static String line(NotJson problem, String text) {
    return problem.around(text).lines().findFirst().orElse("not JSON");
  }

  private static JsonNode form(String text, MediaType described) {
    Map<String, List<String>> parameters = Where.parameters(text);
    DescribedSchema schema = described.schema();
    SchemaView view = schema == null ? null : schema.compiled().view();
    ObjectNode object = JsonNodeFactory.instance.objectNode();
    if (view != null) {
      view.fields().forEach((name, field) -> {
        MediaType.Encoding encoding = described.encoding().get(name);
        JsonNode value = new WrittenValue(
                name, encoding == null ? USUAL : encoding.writing(), field)
            .in(parameters);
        if (value != null) {
          object.set(name, value);
        }
      });
    }
    parameters.forEach((name, raws) -> {
      boolean member = name.indexOf('[') > 0 && object.has(name.substring(0, name.indexOf('[')));
      if (!object.has(name) && !member) {
        object.set(
            name, TypedText.of(Where.decoded(raws.get(0)), view == null ? null : view.field(name)));
      }
    });
    return object;
  }

  private static JsonNode parts(Facts.Body body, @Nullable SchemaView view) {
    ObjectNode object = JsonNodeFactory.instance.objectNode();
    for (Facts.Field field : body.fields()) {
      SchemaView own = view == null ? null : view.field(field.name());
      int index = object.path(field.name()).size();
      SchemaView items = own != null && own.types().contains("array") ? own.item(index) : null;
      JsonNode value = part(field, items == null ? own : items);
      if (items != null) {
        object
            .withArray("/" + field.name().replace("~", "~0").replace("/", "~1"))
            .add(value);
      } else {
        object.set(field.name(), value);
      }
    }
    return object;
  }

  private static JsonNode part(Facts.Field field, @Nullable SchemaView schema) {
    String text = field.text();
    if (text == null) {
      return JsonNodeFactory.instance.stringNode(Facts.MASK);
    }
    if (MediaRange.of(field.contentType()).isJson()) {
      try {
        return JsonMapping.standard().parse(text);
      } catch (NotJson e) {
        return JsonNodeFactory.instance.stringNode(text);
      }
    }
    return TypedText.of(text, schema);
  }
}
