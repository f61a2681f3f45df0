package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Words;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.schema.internal.text.TextPattern;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Reads the keywords of one subschema that apply other subschemas, and refers. */
final class KeywordReader {

  private final SchemaReading reading;
  private final Site site;
  private final JsonNode schema;
  private final Dialect dialect;
  private final List<Keyword> keywords = new ArrayList<>();

  KeywordReader(SchemaReading reading, Site site) {
    this.reading = reading;
    this.site = site;
    this.schema = site.schema();
    this.dialect = site.dialect();
  }

  List<Keyword> keywords() {
    if (schema.isBoolean()) {
      return schema.booleanValue() ? List.of() : List.of(new Never());
    }
    if (!schema.isObject()) {
      throw new SchemaProblem(
          site.where(), "wanted a schema: an object, true or false; got " + Words.withKind(schema));
    }
    Groups groups = Groups.of(schema);
    if (groups.has(Groups.REFERENCES) && references()) {
      return keywords;
    }
    if (dialect.has(Vocabulary.VALIDATION)) {
      new AssertionReader(site, keywords, notRequired()).read(groups);
    }
    if (groups.has(Groups.TEXTS)) {
      new TextReader(reading, site, keywords).read();
    }
    if (dialect.has(Vocabulary.APPLICATOR)) {
      applicators(groups);
    }
    boolean unevaluated = groups.has(Groups.UNEVALUATED) && since(Draft.DRAFT_2019_09);
    if (unevaluated && dialect.has(Vocabulary.UNEVALUATED)) {
      unevaluated("unevaluatedProperties", Kind.OBJECT);
      unevaluated("unevaluatedItems", Kind.LIST);
    }
    return keywords;
  }

  private void applicators(Groups groups) {
    choices(groups);
    objects(groups);
    if (groups.has(Groups.ITEMS)) {
      items();
    }
    if (groups.has(Groups.CONTAINS) && since(Draft.DRAFT_6)) {
      contains();
    }
  }

  /** The required fields that do not travel this way. */
  private Set<String> notRequired() {
    Side side = reading.rules().side();
    if (side == Side.ANY) {
      return Set.of();
    }
    OneWay.Names names = new OneWay.Names(reading, side.mark());
    List<String> own = names.in(site);
    if (!own.isEmpty()) {
      keywords.add(new OneWay(side, own));
    }
    return schema.has("required") ? names.around(site) : Set.of();
  }

  private boolean since(Draft first) {
    return dialect.draft().since(first);
  }

  /** Whether a reference stands here that lets nothing count beside it. */
  private boolean references() {
    String ref = text("$ref");
    if (ref == null && schema.has("$ref")) {
      throw new SchemaProblem(
          site.place("$ref"), "wanted a text, got " + Words.withKind(schema.path("$ref")));
    }
    if (ref != null) {
      keywords.add(new Ref("$ref", reading.refer(site, "$ref", ref), null));
      if (dialect.refStandsAlone()) {
        return true;
      }
    }
    String dynamic = dialect.draft() == Draft.DRAFT_2020_12 ? text("$dynamicRef") : null;
    if (dynamic != null) {
      RuleLink target = reading.refer(site, "$dynamicRef", dynamic);
      boolean moves = reading.isDynamic(site, dynamic);
      keywords.add(new Ref("$dynamicRef", target, moves ? Uris.fragment(dynamic) : null));
    }
    String recursive = dialect.draft() == Draft.DRAFT_2019_09 ? text("$recursiveRef") : null;
    if (recursive != null) {
      RuleLink target = reading.refer(site, "$recursiveRef", recursive);
      boolean moves = reading.isDynamic(site, recursive);
      keywords.add(new Ref("$recursiveRef", target, moves ? "" : null));
    }
    return false;
  }

  private void choices(Groups groups) {
    if (groups.has(Groups.ALL_OF)) {
      keywords.add(new Choices.All(rules("allOf")));
    }
    if (groups.has(Groups.BRANCHES)) {
      branches("anyOf");
      branches("oneOf");
    }
    if (groups.has(Groups.NOT)) {
      keywords.add(new Choices.Not(rule("not")));
    }
    if (groups.has(Groups.CONDITION) && since(Draft.DRAFT_7)) {
      Rule then = ruleOrNull("then");
      Rule otherwise = ruleOrNull("else");
      if (schema.has("if")) {
        keywords.add(new Choices.Conditional(rule("if"), then, otherwise));
      }
    }
  }

  private void branches(String name) {
    if (schema.has(name)) {
      keywords.add(
          new Choices.Branches(name, rules(name), Discriminator.of(schema, schema.path(name))));
    }
  }

  private void objects(Groups groups) {
    if (groups.has(Groups.FIELDS)) {
      fields();
    }
    if (groups.has(Groups.FIELD_NAMES) && since(Draft.DRAFT_6)) {
      keywords.add(new Members.Names(rule("propertyNames")));
    }
    if (groups.has(Groups.DEPENDENT)) {
      if (since(Draft.DRAFT_2019_09) && schema.has("dependentSchemas")) {
        keywords.add(new Members.Dependent("dependentSchemas", named("dependentSchemas")));
      }
      dependencies();
    }
  }

  private void fields() {
    Map<TextPattern, Rule> patterns = new LinkedHashMap<>();
    for (Map.Entry<String, Rule> entry : named("patternProperties").entrySet()) {
      patterns.put(pattern(entry.getKey()), entry.getValue());
    }
    Map<String, Rule> properties = named("properties");
    Rule others = ruleOrNull("additionalProperties");
    if (!properties.isEmpty() || !patterns.isEmpty() || others != null) {
      keywords.add(new Members(properties, patterns, others));
    }
  }

  /** Gone since 2019-09, and kept for schemas that have not noticed, as both drafts allow. */
  private void dependencies() {
    Map<String, Rule> rules = new LinkedHashMap<>();
    Map<String, List<String>> fields = new LinkedHashMap<>();
    JsonNode dependencies = schema.path("dependencies");
    for (Map.Entry<String, JsonNode> entry : dependencies.properties()) {
      JsonNode value = entry.getValue();
      if (value.isArray()) {
        List<String> names = new ArrayList<>();
        value.forEach(name -> names.add(name.asString("")));
        fields.put(entry.getKey(), names);
      } else {
        rules.put(entry.getKey(), reading.rule(site.at(value, "dependencies", entry.getKey())));
      }
    }
    if (!fields.isEmpty()) {
      keywords.add(new Members.DependentFields("dependencies", fields));
    }
    if (!rules.isEmpty()) {
      keywords.add(new Members.Dependent("dependencies", rules));
    }
  }

  private void items() {
    boolean prefixed = since(Draft.DRAFT_2020_12);
    JsonNode items = schema.path("items");
    if (prefixed) {
      List<Rule> prefix = schema.has("prefixItems") ? rules("prefixItems") : List.of();
      items("prefixItems", prefix, "items", ruleOrNull("items"));
    } else if (items.isArray()) {
      items("items", rules("items"), "additionalItems", ruleOrNull("additionalItems"));
    } else if (schema.has("items")) {
      items("items", List.of(), "items", rule("items"));
    }
  }

  private void contains() {
    boolean counted = since(Draft.DRAFT_2019_09) && dialect.has(Vocabulary.VALIDATION);
    long least = counted ? count("minContains", 1) : 1;
    long most = counted ? count("maxContains", Long.MAX_VALUE) : Long.MAX_VALUE;
    keywords.add(new Lists.Contains(rule("contains"), least, most, since(Draft.DRAFT_2020_12)));
  }

  private void items(String first, List<Rule> prefix, String name, @Nullable Rule rest) {
    if (!prefix.isEmpty() || rest != null) {
      keywords.add(new Lists.Items(first, prefix, name, rest));
    }
  }

  private long count(String name, long otherwise) {
    JsonNode count = schema.path(name);
    return count.isNumber() ? AssertionReader.clamped(count) : otherwise;
  }

  private void unevaluated(String name, int kind) {
    if (schema.has(name)) {
      keywords.add(new Unevaluated(name, kind, rule(name)));
    }
  }

  private TextPattern pattern(String source) {
    return reading.pattern(
        source, () -> site.place("patternProperties") + "/" + Pointers.escape(source));
  }

  private Rule rule(String name) {
    return reading.rule(site.at(schema.path(name), name));
  }

  private @Nullable Rule ruleOrNull(String name) {
    return schema.has(name) ? rule(name) : null;
  }

  private List<Rule> rules(String name) {
    JsonNode list = schema.path(name);
    List<Rule> rules = new ArrayList<>();
    if (!list.isArray()) {
      throw new SchemaProblem(
          site.place(name), "wanted a list of schemas, got " + Words.withKind(list));
    }
    for (int i = 0; i < list.size(); i++) {
      rules.add(reading.rule(site.at(list.get(i), name, i)));
    }
    return rules;
  }

  private Map<String, Rule> named(String name) {
    JsonNode object = schema.path(name);
    Map<String, Rule> rules = new LinkedHashMap<>();
    if (!object.isObject() && !object.isMissingNode()) {
      throw new SchemaProblem(
          site.place(name), "wanted schemas by name, got " + Words.withKind(object));
    }
    for (Map.Entry<String, JsonNode> entry : object.properties()) {
      rules.put(entry.getKey(), reading.rule(site.at(entry.getValue(), name, entry.getKey())));
    }
    return rules;
  }

  private @Nullable String text(String name) {
    JsonNode value = schema.path(name);
    return value.isString() ? value.stringValue() : null;
  }
}
