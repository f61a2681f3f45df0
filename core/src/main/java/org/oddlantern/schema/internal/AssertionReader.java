package org.oddlantern.schema.internal;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.oddlantern.json.internal.Words;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/** Reads the keywords of one subschema that look at a value alone. */
final class AssertionReader {

  private static final BigDecimal MOST = BigDecimal.valueOf(Long.MAX_VALUE);

  private final Site site;
  private final JsonNode schema;
  private final Draft draft;
  private final List<Keyword> keywords;
  private final Set<String> notRequired;

  /**
   * Of a subschema.
   *
   * @param site the subschema
   * @param keywords where to put its keywords
   * @param notRequired fields of which {@code required} does not speak
   */
  AssertionReader(Site site, List<Keyword> keywords, Set<String> notRequired) {
    this.notRequired = notRequired;
    this.site = site;
    this.schema = site.schema();
    this.draft = site.dialect().draft();
    this.keywords = keywords;
  }

  void read(Groups groups) {
    if (groups.has(Groups.TYPE)) {
      type();
    }
    if (groups.has(Groups.VALUES)) {
      values();
    }
    if (groups.has(Groups.NUMBERS)) {
      numbers();
    }
    sizes(groups);
    if (groups.has(Groups.REQUIRED)) {
      required();
    }
  }

  private void sizes(Groups groups) {
    if (groups.has(Groups.LENGTHS)) {
      size("minLength", Kind.TEXT);
      size("maxLength", Kind.TEXT);
    }
    if (groups.has(Groups.ITEM_COUNTS)) {
      size("minItems", Kind.LIST);
      size("maxItems", Kind.LIST);
      JsonNode unique = schema.path("uniqueItems");
      if (unique.isBoolean() && unique.booleanValue()) {
        keywords.add(new Lists.Unique());
      }
    }
    if (groups.has(Groups.FIELD_COUNTS)) {
      size("minProperties", Kind.OBJECT);
      size("maxProperties", Kind.OBJECT);
    }
  }

  private void required() {
    if (schema.path("required").isArray()) {
      List<String> required = texts("required");
      required.removeIf(notRequired::contains);
      keywords.add(new Assertions.Required("required", required));
    }
    if (draft.since(Draft.DRAFT_2019_09) && schema.path("dependentRequired").isObject()) {
      Map<String, List<String>> fields = new LinkedHashMap<>();
      schema.path("dependentRequired").properties().forEach(entry -> {
        List<String> names = new ArrayList<>();
        entry.getValue().forEach(name -> names.add(name.asString("")));
        fields.put(entry.getKey(), names);
      });
      keywords.add(new Members.DependentFields("dependentRequired", fields));
    }
  }

  private void type() {
    JsonNode type = schema.path("type");
    List<String> types =
        new ArrayList<>(type.isArray() ? texts("type") : List.of(type.asString("")));
    JsonNode nullable = schema.path("nullable");
    if (site.dialect().openApi() && nullable.isBoolean() && nullable.booleanValue()) {
      types.add("null");
    }
    keywords.add(TypeKeyword.of(types, draft == Draft.DRAFT_4));
  }

  private void values() {
    JsonNode values = schema.path("enum");
    if (values.isArray()) {
      List<JsonNode> all = new ArrayList<>();
      values.forEach(all::add);
      keywords.add(new Assertions.OneOfValues("enum", all));
    }
    if (schema.has("const") && draft.since(Draft.DRAFT_6)) {
      keywords.add(new Assertions.OneOfValues("const", List.of(schema.path("const"))));
    }
  }

  private void numbers() {
    bound("minimum", false, excludes("exclusiveMinimum"));
    bound("maximum", true, excludes("exclusiveMaximum"));
    if (draft.since(Draft.DRAFT_6)) {
      bound("exclusiveMinimum", false, true);
      bound("exclusiveMaximum", true, true);
    }
    if (site.document().isApi()) {
      width("int32", Integer.MIN_VALUE, Integer.MAX_VALUE);
      width("int64", Long.MIN_VALUE, Long.MAX_VALUE);
    }
    JsonNode unit = schema.path("multipleOf");
    if (unit.isNumber()) {
      if (unit.decimalValue().signum() <= 0) {
        throw new SchemaProblem(
            site.place("multipleOf"), "wanted a number above 0, got " + Words.of(unit));
      }
      keywords.add(new Assertions.Multiple(unit));
    }
  }

  /** In draft 4 the exclusive keywords are switches. */
  private boolean excludes(String name) {
    JsonNode exclusive = schema.path(name);
    return draft == Draft.DRAFT_4 && exclusive.isBoolean() && exclusive.booleanValue();
  }

  private void bound(String name, boolean upper, boolean exclusive) {
    if (schema.path(name).isNumber()) {
      keywords.add(new Assertions.Bound(name, schema.path(name), upper, exclusive));
    }
  }

  /** What the formats of OpenAPI say of whole numbers. */
  private void width(String format, long least, long most) {
    if (schema.path("format").asString("").equals(format)) {
      JsonNodeFactory make = JsonNodeFactory.instance;
      keywords.add(new Assertions.Bound("format", make.numberNode(least), false, false));
      keywords.add(new Assertions.Bound("format", make.numberNode(most), true, false));
    }
  }

  private void size(String name, int kind) {
    JsonNode limit = schema.path(name);
    if (limit.isNumber()) {
      keywords.add(new Assertions.Size(name, kind, clamped(limit)));
    }
  }

  /** A count as a whole number; one beyond all counts is the largest there is. */
  static long clamped(JsonNode count) {
    return count.decimalValue().min(MOST).longValue();
  }

  private List<String> texts(String name) {
    JsonNode list = schema.path(name);
    if (!list.isArray()) {
      list = JsonNodeFactory.instance.arrayNode().add(list);
    }
    List<String> texts = new ArrayList<>();
    for (JsonNode text : list) {
      if (!text.isString()) {
        throw new SchemaProblem(site.place(name), "wanted texts, got " + Words.withKind(text));
      }
      texts.add(text.stringValue());
    }
    return texts;
  }
}
