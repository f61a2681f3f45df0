package org.oddlantern.internal.described;

import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.Answer;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.DescribedSchema;
import org.oddlantern.internal.description.MediaType;
import org.oddlantern.internal.description.Operation;
import org.oddlantern.internal.description.PathTemplate;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.schema.internal.Misfit;
import org.oddlantern.schema.internal.Pointers;
import org.oddlantern.schema.internal.SeenValues;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Finds the lines that would make a description say what was seen. */
final class Proposals {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final int LONGEST_SAMPLE = 100_000;

  private final ApiDocument document;
  private final DescriptionLines lines;

  Proposals(ApiDocument document) {
    this.document = document;
    this.lines = new DescriptionLines(document.isJson());
  }

  Proposal operation(Facts facts, @Nullable PathTemplate path) {
    Facts.Came came = facts.came();
    ObjectNode operation = MAKE.objectNode();
    if (came != null) {
      operation.putObject("responses").set(String.valueOf(came.status()), answer(came));
    }
    ObjectNode methods = MAKE.objectNode();
    methods.set(facts.sent().method().toLowerCase(Locale.ROOT), operation);
    if (path != null) {
      return proposal(pointer("paths", path.text()), methods);
    }
    ObjectNode paths = MAKE.objectNode();
    paths.set(facts.sent().where().described(), methods);
    return proposal("/paths", paths);
  }

  /** An error of the service is nothing that a description should promise. */
  Proposal status(Operation operation, Facts.Came came) {
    if (came.status() >= 500) {
      return Proposal.NONE;
    }
    ObjectNode answers = MAKE.objectNode();
    answers.set(String.valueOf(came.status()), answer(came));
    return proposal(operation.pointer() + "/responses", answers);
  }

  private ObjectNode answer(Facts.Came came) {
    ObjectNode answer = MAKE.objectNode();
    answer.put("description", StatusWords.of(came.status()));
    String type = bare(Facts.contentType(came.headers()));
    if (!came.body().isNone() && !type.isEmpty()) {
      answer.putObject("content").set(type, media(came.body()));
    }
    return answer;
  }

  Proposal type(String holder, String contentType, Facts.@Nullable Body body) {
    String type = bare(contentType);
    if (type.isEmpty()) {
      return Proposal.NONE;
    }
    ObjectNode content = MAKE.objectNode();
    content.set(type, body == null ? MAKE.objectNode() : media(body));
    return proposal(holder + "/content", content);
  }

  private static String bare(String contentType) {
    return contentType.replaceFirst(";.*", "").trim().toLowerCase(Locale.ROOT);
  }

  /** By a schema that the description has already, if the body fits one of another reply; else a sketch. */
  private ObjectNode media(Facts.Body body) {
    ObjectNode media = MAKE.objectNode();
    JsonNode tree = tree(body);
    if (tree != null) {
      JsonNode known = known(tree);
      media.set("schema", known == null ? sketch(tree) : known);
    }
    return media;
  }

  private static @Nullable JsonNode tree(Facts.Body body) {
    String text = body.text();
    if (text == null || text.length() > LONGEST_SAMPLE || text.contains(Facts.MASK)) {
      return null;
    }
    try {
      return JsonMapping.standard().parse(text);
    } catch (NotJson e) {
      return null;
    }
  }

  private @Nullable JsonNode known(JsonNode tree) {
    for (Operation operation : document.operations()) {
      for (Answer answer : operation.answers().values()) {
        for (MediaType media : answer.content().types().values()) {
          DescribedSchema schema = media.schema();
          if (schema != null && takes(schema, tree)) {
            ObjectNode reference = MAKE.objectNode();
            reference.set("$ref", schema.node().path("$ref"));
            return reference;
          }
        }
      }
    }
    return null;
  }

  /** One that says nothing takes everything, and is none to be named. */
  private static boolean takes(DescribedSchema schema, JsonNode tree) {
    return schema.node().path("$ref").asString("").startsWith("#")
        && !schema.compiled().view().fields().isEmpty()
        && schema.compiled().accepts(tree);
  }

  private ObjectNode sketch(JsonNode tree) {
    SeenValues seen = new SeenValues();
    seen.add(tree);
    ObjectNode schema = MAKE.objectNode();
    seen.write(schema, false);
    return schema;
  }

  /** What was required is not. */
  Proposal optional(String pointer) {
    ObjectNode object = MAKE.objectNode();
    object.put("required", false);
    return proposal(pointer, object);
  }

  private Proposal proposal(String pointer, ObjectNode members) {
    return new Proposal(document.name() + "#" + pointer, lines.members(members));
  }

  /** What a schema should allow, where it was likely too narrow rather than the value wrong. */
  Proposal of(Misfit misfit) {
    Misfit.Target target = misfit.schema();
    String place = target.document() + "#" + target.pointer();
    JsonNode schema = document.at(target.document(), target.pointer());
    JsonNode value = misfit.value();
    boolean own = target.document().equals(document.name());
    DescriptionLines there =
        own ? lines : new DescriptionLines(target.document().endsWith(".json"));
    return switch (misfit.keyword()) {
      case "enum" -> new Proposal(place + "/enum", there.item(value));
      case "additionalProperties" -> {
        ObjectNode fields = MAKE.objectNode();
        fields.set(name(misfit.place()), sketch(value));
        yield new Proposal(place + "/properties", there.members(fields));
      }
      case "required" -> own ? required(place, schema, value) : Proposal.NONE;
      case "type" -> own ? type(place, schema, value) : Proposal.NONE;
      default -> Proposal.NONE;
    };
  }

  private static String name(String place) {
    return place.substring(place.lastIndexOf('/') + 1).replace("~1", "/").replace("~0", "~");
  }

  private Proposal required(String place, JsonNode schema, JsonNode value) {
    ObjectNode object = MAKE.objectNode();
    ArrayNode names = object.putArray("required");
    for (JsonNode name : schema.path("required")) {
      if (value.has(name.asString(""))) {
        names.add(name);
      }
    }
    // an empty list is no schema of OpenAPI 3.0
    return names.isEmpty() ? Proposal.NONE : new Proposal(place, lines.members(object));
  }

  private Proposal type(String place, JsonNode schema, JsonNode value) {
    ObjectNode object = MAKE.objectNode();
    if (document.isOld()) {
      if (!value.isNull()) {
        return Proposal.NONE; // one schema has one type there
      }
      object.put("nullable", true);
    } else {
      ArrayNode types = object.putArray("type");
      JsonNode type = schema.path("type");
      if (type.isString()) {
        types.add(type);
      }
      type.forEach(types::add);
      types.add(kind(value));
    }
    return new Proposal(place, lines.members(object));
  }

  private static String kind(JsonNode value) {
    return switch (value.getNodeType()) {
      case NULL -> "null";
      case BOOLEAN -> "boolean";
      case NUMBER -> value.isIntegralNumber() ? "integer" : "number";
      case ARRAY -> "array";
      case OBJECT -> "object";
      default -> "string";
    };
  }

  private static String pointer(String... steps) {
    StringBuilder pointer = new StringBuilder();
    for (String step : List.of(steps)) {
      pointer.append('/').append(Pointers.escape(step));
    }
    return pointer.toString();
  }
}
