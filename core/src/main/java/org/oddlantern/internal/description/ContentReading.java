package org.oddlantern.internal.description;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Words;
import org.oddlantern.schema.internal.Document;
import org.oddlantern.schema.internal.SharedReading;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Reads what bodies, parameters and headers look like.
 *
 * @param references follows references
 * @param requests reads schemas of what is sent
 * @param replies reads schemas of what comes back
 * @param eager whether schemas are read at once
 */
record ContentReading(
    References references, SharedReading requests, SharedReading replies, boolean eager) {

  Content content(Part holder, boolean sent) {
    Map<String, MediaType> types = new LinkedHashMap<>();
    holder.members("content").forEach((type, start) -> {
      Part part = references.followed(start).knowing("schema", "encoding");
      Map<String, MediaType.Encoding> encoding = new LinkedHashMap<>();
      part.members("encoding").forEach((name, one) -> encoding.put(name, encoding(one.object())));
      types.put(
          type,
          new MediaType(MediaRange.of(type), schema(part, sent), encoding, example(part.node())));
    });
    return new Content(types);
  }

  private static @Nullable JsonNode example(JsonNode media) {
    if (media.has("example")) {
      return media.path("example");
    }
    for (JsonNode one : media.path("examples")) {
      if (one.has("value")) {
        return one.path("value");
      }
    }
    return null;
  }

  private static MediaType.Encoding encoding(Part part) {
    return new MediaType.Encoding(part.text("contentType"), writing(part, Writing.Style.FORM));
  }

  Parameter parameter(Part part) {
    String name = part.neededText("name");
    String in = part.neededText("in");
    Parameter.In where = Arrays.stream(Parameter.In.values())
        .filter(one -> one.word().equals(in))
        .findFirst()
        .orElseThrow(() ->
            part.at("in").problem("wanted path, query, header or cookie, got " + Words.quoted(in)));
    if (name.isEmpty()) {
      throw part.at("name").problem("a parameter needs a name");
    }
    return parameter(name, where, part, true);
  }

  Parameter header(String name, Part part) {
    return parameter(name, Parameter.In.HEADER, part, false);
  }

  private Parameter parameter(String name, Parameter.In in, Part part, boolean sent) {
    part.knowing("schema", "content", "required", "style", "explode", "deprecated");
    Map<String, Part> content = part.members("content");
    if (content.isEmpty() && !part.has("schema")) {
      throw part.problem("it says in neither 'schema' nor 'content' what it looks like");
    }
    if (content.size() > 1) {
      throw part.at("content")
          .problem("a parameter has one media type, this has " + content.size());
    }
    Map.Entry<String, Part> only =
        content.isEmpty() ? null : content.entrySet().iterator().next();
    return new Parameter(
        name,
        in,
        part.flag("required", in == Parameter.In.PATH),
        part.flag("deprecated", false),
        writing(part, in.usual()),
        schema(only == null ? part : references.followed(only.getValue()), sent),
        only != null && MediaRange.of(only.getKey()).isJson(),
        part.pointer());
  }

  private static Writing writing(Part part, Writing.Style usual) {
    String word = part.text("style");
    Writing.Style style = word.isEmpty()
        ? usual
        : Arrays.stream(Writing.Style.values())
            .filter(one -> one.word().equals(word))
            .findFirst()
            .orElseThrow(() -> part.at("style")
                .problem("wanted one of "
                    + String.join(
                        ", ",
                        Arrays.stream(Writing.Style.values())
                            .map(Writing.Style::word)
                            .toList())
                    + "; got " + Words.quoted(word)));
    return new Writing(style, part.flag("explode", style == Writing.Style.FORM));
  }

  /** What is read for one side must not be taken for the other. */
  private static Document own(Document document, boolean sent) {
    return sent ? document.called(document.name()) : document;
  }

  private @Nullable DescribedSchema schema(Part holder, boolean sent) {
    if (!holder.has("schema")) {
      return null;
    }
    Part part = holder.at("schema");
    if (!part.node().isObject() && !part.node().isBoolean()) {
      throw part.problem("wanted a schema, got " + Words.withKind(part.node()));
    }
    DescribedSchema schema = new DescribedSchema(
        sent ? requests : replies, own(part.document(), sent), part.pointer(), part.node());
    if (eager) {
      schema.compiled();
    }
    return schema;
  }
}
