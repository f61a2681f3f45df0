package org.oddlantern.http;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.internal.JsonMapping;

/** What a call carries. */
sealed interface Body {

  Content content(JsonMapping mapping);

  /** The content type that goes with it; null for none. */
  @Nullable
  String contentType();

  /** No body at all. */
  record None() implements Body {
    @Override
    public Content content(JsonMapping mapping) {
      return Content.NONE;
    }

    @Override
    public @Nullable String contentType() {
      return null;
    }
  }

  /** A value written as JSON. */
  record Json(@Nullable Object value) implements Body {
    @Override
    public Content content(JsonMapping mapping) {
      return Content.of(mapping.writeBytes(value));
    }

    @Override
    public String contentType() {
      return "application/json";
    }
  }

  /** Text sent as it is, in UTF-8. */
  record Text(String text, String contentType) implements Body {
    public Text {
      Needed.of(text, "the text of a body");
    }

    @Override
    public Content content(JsonMapping mapping) {
      return Content.of(text.getBytes(StandardCharsets.UTF_8));
    }
  }

  /** Bytes sent as they are. */
  record Raw(Content bytes, String contentType) implements Body {
    @Override
    public Content content(JsonMapping mapping) {
      return bytes;
    }
  }

  /** A file of the suites, found when the call is sent. */
  record Resource(String name, String contentType) implements Body {
    public Resource {
      Needed.of(name, "the name of a file");
    }

    @Override
    public Content content(JsonMapping mapping) {
      return Content.of(Resources.current().bytes(name));
    }
  }

  /** Fields of a form, URL-encoded (the URL standard, application/x-www-form-urlencoded). */
  record Form(List<NamedValue> fields) implements Body {

    Form with(String name, Object value) {
      List<NamedValue> more = new ArrayList<>(fields);
      NamedValue.each(name, value).forEach(more::add);
      return new Form(List.copyOf(more));
    }

    @Override
    public Content content(JsonMapping mapping) {
      StringBuilder text = new StringBuilder();
      for (NamedValue field : fields) {
        text.append(text.isEmpty() ? "" : "&")
            .append(PercentEncoding.form(field.name()))
            .append('=')
            .append(PercentEncoding.form(Scalars.text(field.value(), mapping, "a form")));
      }
      return Content.of(text.toString().getBytes(StandardCharsets.US_ASCII));
    }

    @Override
    public String contentType() {
      return "application/x-www-form-urlencoded";
    }
  }

  /** Parts of a multipart form. */
  record Multipart(String boundary, List<NamedPart> parts) implements Body {

    Multipart with(String name, Part part) {
      Needed.of(name, "part(name, part): name");
      Needed.of(part, "part(name, part): part");
      List<NamedPart> more = new ArrayList<>(parts);
      more.add(new NamedPart(name, part));
      return new Multipart(boundary, List.copyOf(more));
    }

    @Override
    public Content content(JsonMapping mapping) {
      return new MultipartContent(
          boundary,
          parts.stream().map(one -> one.part.resolved(one.name, mapping)).toList());
    }

    @Override
    public String contentType() {
      return "multipart/form-data; boundary=" + boundary;
    }

    /** A part and the name of its field. */
    record NamedPart(String name, Part part) {}
  }

  /** A query with its variables, as GraphQL over HTTP sends it. */
  record GraphQlQuery(GraphQl query) implements Body {
    public GraphQlQuery {
      Needed.of(query, "graphQl(query): query");
    }

    @Override
    public Content content(JsonMapping mapping) {
      Map<String, Object> members = new LinkedHashMap<>();
      members.put("query", query.text());
      if (!query.operation().isEmpty()) {
        members.put("operationName", query.operation());
      }
      if (!query.variables().isEmpty()) {
        members.put("variables", query.variables());
      }
      return Content.of(mapping.writeBytes(members));
    }

    @Override
    public String contentType() {
      return "application/json";
    }
  }
}
