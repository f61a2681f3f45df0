package org.oddlantern.schema.internal;

import java.net.URISyntaxException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.schema.internal.text.BadPattern;
import org.oddlantern.schema.internal.text.TextPattern;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Reads schemas and everything they refer to into rules. For one thread at a time. */
final class SchemaReading {

  private final ReadingRules rules;
  private final Map<String, Resource> resources = new HashMap<>();
  private final Set<Resource> dynamicsRead = new HashSet<>();
  private final MetaCheck metaCheck;
  private final List<String> metaSchemas = new ArrayList<>();
  private final Set<JsonNode> underWay = Collections.newSetFromMap(new IdentityHashMap<>());
  private final List<Rule> fresh = new ArrayList<>();
  private final List<RuleLink> links = new ArrayList<>();
  private final Map<String, TextPattern> patterns = new HashMap<>();
  private final Map<Resource, Map<String, RuleLink>> references = new HashMap<>();

  SchemaReading(ReadingRules rules) {
    this.rules = rules;
    this.metaCheck = new MetaCheck(rules);
  }

  /** The document that comes from there, if it was read before; else the one given. */
  Document known(String uri, Supplier<Document> otherwise) {
    Resource resource = resources.get(uri);
    return resource != null && resource.document().uri().equals(uri)
        ? resource.document()
        : otherwise.get();
  }

  /** Makes a document known by its address. */
  void know(Document document) {
    if (document.resourceAt("") == null) {
      add(document, Dialect.of(rules.assumed()));
    }
  }

  List<Document> documents() {
    return resources.values().stream()
        .map(Resource::document)
        .distinct()
        .filter(one -> MetaSchemas.document(one.uri()).isEmpty())
        .toList();
  }

  /** The document at an address. */
  Document document(Document from, String uri) {
    Resource root = from.resourceAt("");
    Dialect dialect = root == null ? Dialect.of(rules.assumed()) : root.dialect();
    Resource resource = find(uri, dialect);
    if (resource == null) {
      throw new SchemaProblem(from.name(), unresolved(uri, uri));
    }
    return resource.document();
  }

  /**
   * Reads the schema at a place of a document. One that cannot be used leaves nothing behind, so that
   * others may be read after it.
   */
  Rule read(Document document, String pointer) {
    Resource known = document.resourceAt("");
    Resource root = known == null ? add(document, Dialect.of(rules.assumed())) : known;
    try {
      RuleLink rule = ruleAt(document, root, pointer, document.name() + "#");
      links.forEach(RuleLink::tie);
      fresh.forEach(Rule::tie);
      EndlessLoop endless = new EndlessLoop();
      links.forEach(link -> endless.refuse(link.rule())); // no loop without a reference
      return rule.rule();
    } catch (SchemaProblem e) {
      forgetFresh();
      throw e;
    } catch (StackOverflowError e) {
      forgetFresh();
      throw new SchemaProblem(
          document.name() + "#" + pointer, "its references go deeper than can be followed");
    } finally {
      fresh.clear();
      links.clear();
      underWay.clear();
    }
  }

  private void forgetFresh() {
    fresh.forEach(rule -> rule.site().document().rules().remove(rule.site().pointer()));
    dynamicsRead.clear();
    references.clear();
  }

  /** Makes a document and all that is named in it known. */
  private Resource add(Document document, Dialect otherwise) {
    Dialect dialect = dialectOf(document, otherwise);
    String uri = document.uri();
    JsonNode id = document.root().path(dialect.identifier());
    boolean alone = dialect.refStandsAlone() && document.root().path("$ref").isString();
    if (id.isString() && !alone) {
      uri = resolve(uri, Uris.withoutFragment(id.stringValue()), document.name() + "#");
    }
    Resource root = new Resource(document, uri, "", dialect);
    document.add(root);
    resources.put(document.uri(), root);
    resources.put(uri, root);
    try {
      new Identifiers(document, this::know, this::dialectOf).search(root);
    } catch (SchemaProblem e) {
      resources.values().removeIf(one -> one.document() == document);
      throw e;
    }
    return root;
  }

  private void know(Resource resource) {
    resources.put(resource.uri(), resource);
  }

  /** What it names; else that of who refers to it. */
  private Dialect dialectOf(Document document, Dialect otherwise) {
    JsonNode root = document.root();
    String openApi = root.path("openapi").asString("");
    if (openApi.startsWith("3.0") || root.path("swagger").isString()) {
      return Dialect.ofOpenApi();
    }
    JsonNode named = root.path(openApi.isEmpty() ? "$schema" : "jsonSchemaDialect");
    boolean ofOpenApi = named.asString("").startsWith("https://spec.openapis.org/oas/3.1");
    if (named.isString() && !ofOpenApi) {
      String keyword = openApi.isEmpty() ? "$schema" : "jsonSchemaDialect";
      return dialect(named.stringValue(), document.name() + "#/" + keyword);
    }
    return openApi.isEmpty() ? otherwise : Dialect.of(Draft.DRAFT_2020_12);
  }

  /** The dialect of a resource inside a document. */
  private Dialect dialectOf(Site site) {
    JsonNode named = site.schema().path("$schema");
    return named.isString()
        ? dialect(named.stringValue(), site.place("$schema"))
        : site.resource().dialect();
  }

  private Dialect dialect(String uri, String place) {
    Optional<Draft> draft = Draft.named(uri);
    if (draft.isPresent()) {
      return Dialect.of(draft.get());
    }
    String plain = Uris.withoutFragment(uri);
    if (metaSchemas.contains(plain)) {
      return Dialect.of(rules.assumed());
    }
    resolve(plain, plain, place); // whether it is an address at all
    metaSchemas.add(plain);
    Resource known;
    try {
      known = find(plain, Dialect.of(rules.assumed()));
    } finally {
      metaSchemas.remove(plain);
    }
    if (known == null) {
      throw new SchemaProblem(
          place,
          Words.quoted(uri) + " is an unknown draft; known are "
              + String.join(
                  ", ", List.of(Draft.values()).stream().map(Draft::uri).toList())
              + NearestMatch.among(
                      plain, List.of(Draft.values()).stream().map(Draft::uri).toList())
                  .map(near -> "; did you mean " + near + "?")
                  .orElse(""));
    }
    return known.dialect().with(plain, vocabularies(known, place));
  }

  private static Set<Vocabulary> vocabularies(Resource meta, String place) {
    JsonNode named = meta.document().root().path("$vocabulary");
    if (!named.isObject()) {
      return meta.dialect().vocabularies();
    }
    Set<Vocabulary> known = EnumSet.of(Vocabulary.CORE);
    for (Map.Entry<String, JsonNode> entry : named.properties()) {
      Optional<Vocabulary> vocabulary = Vocabulary.named(entry.getKey());
      vocabulary.ifPresent(known::add);
      if (vocabulary.isEmpty() && entry.getValue().asBoolean(false)) {
        throw new SchemaProblem(
            place,
            "its meta-schema requires the vocabulary " + entry.getKey() + ", which is unknown");
      }
    }
    if (meta.dialect().draft() == Draft.DRAFT_2019_09 && known.contains(Vocabulary.APPLICATOR)) {
      known.add(Vocabulary.UNEVALUATED); // 2019-09 has them among the applicators
    }
    return known;
  }

  /** What a reference leads to. */
  RuleLink refer(Site from, String keyword, String reference) {
    Map<String, RuleLink> known =
        references.computeIfAbsent(from.resource(), resource -> new HashMap<>());
    RuleLink link = known.get(reference);
    if (link == null) {
      link = followed(from, from.place(keyword), reference);
      known.put(reference, link);
    }
    return link;
  }

  private RuleLink followed(Site from, String place, String reference) {
    String uri = resolve(from.resource().uri(), Uris.withoutFragment(reference), place);
    Resource resource = find(uri, from.dialect());
    if (resource == null) {
      throw new SchemaProblem(place, unresolved(reference, uri));
    }
    String fragment = fragment(reference, place);
    if (fragment.isEmpty() || fragment.startsWith("/")) {
      return ruleAt(resource.document(), resource, resource.pointer() + fragment, place);
    }
    String pointer = resource.anchors().get(fragment);
    if (pointer == null) {
      throw new SchemaProblem(
          place,
          "there is no anchor '" + fragment + "' in " + resource.document().name()
              + (resource.anchors().isEmpty()
                  ? ", which has none"
                  : "; it has "
                      + Words.names(
                          resource.anchors().keySet().stream().sorted().toList())));
    }
    return ruleAt(resource.document(), resource, pointer, place);
  }

  /** What a reference by pointer leads to, without reading it; null if it leads nowhere. */
  @Nullable
  Site target(Site from, String reference) {
    String fragment = fragment(reference, from.place("$ref"));
    Resource resource = find(
        resolve(from.resource().uri(), Uris.withoutFragment(reference), from.place("$ref")),
        from.dialect());
    if (resource == null || !fragment.isEmpty() && !fragment.startsWith("/")) {
      return null;
    }
    String pointer = resource.pointer() + fragment;
    JsonNode schema = resource.document().at(pointer);
    return schema.isMissingNode() ? null : resource.document().site(pointer, resource, schema);
  }

  /** Whether a reference ends at an anchor that outer resources may give another meaning. */
  boolean isDynamic(Site from, String reference) {
    Resource resource =
        find(resolve(from.resource().uri(), Uris.withoutFragment(reference), ""), from.dialect());
    return resource != null && resource.dynamicAnchors().contains(Uris.fragment(reference));
  }

  private static String fragment(String reference, String place) {
    try {
      return Uris.fragment(reference);
    } catch (IllegalArgumentException e) {
      throw new SchemaProblem(
          place, "'" + reference + "' has a broken percent sign in its fragment");
    }
  }

  private static String resolve(String base, String reference, String place) {
    try {
      return Uris.resolve(base, reference);
    } catch (URISyntaxException e) {
      throw new SchemaProblem(
          place, Words.quoted(reference) + " is no address (RFC 3986): " + e.getReason());
    }
  }

  private @Nullable Resource find(String uri, Dialect otherwise) {
    Resource known = resources.get(uri);
    if (known == null) {
      Optional<Document> document = rules.sources().document(uri);
      if (document.isPresent()) {
        known = add(document.get(), otherwise);
      }
    }
    return known;
  }

  private String unresolved(String reference, String uri) {
    String near = NearestMatch.among(uri, resources.keySet())
        .map(other -> "; did you mean " + other + "?")
        .orElse("");
    return Words.quoted(reference) + " leads to nothing: " + rules.sources().whyNot(uri) + near;
  }

  /** A pattern, each of which is read once. */
  TextPattern pattern(String source, Supplier<String> place) {
    TextPattern known = patterns.get(source);
    if (known == null) {
      try {
        known = TextPattern.of(source);
      } catch (BadPattern e) {
        throw new SchemaProblem(place.get(), String.valueOf(e.getMessage()));
      }
      patterns.put(source, known);
    }
    return known;
  }

  private RuleLink ruleAt(Document document, Resource start, String pointer, String place) {
    JsonNode schema = document.root();
    String passed = "";
    Resource around = start;
    for (String step : Pointers.steps(pointer)) {
      JsonNode next = Pointers.step(schema, step);
      if (next == null) {
        throw new SchemaProblem(
            place,
            document.name() + "#" + pointer + " is not there: " + document.name() + "#" + passed
                + " has no '" + step + "', it is " + Words.contents(schema)
                + (schema.isObject()
                    ? NearestMatch.among(step, schema.propertyNames())
                        .map(near -> "; did you mean '" + near + "'?")
                        .orElse("")
                    : ""));
      }
      schema = next;
      passed += "/" + Pointers.escape(step);
      Resource own = document.resourceAt(passed);
      around = own == null ? around : own;
    }
    Resource rootOf = document.resourceAt("");
    boolean fromRoot = pointer.startsWith(start.pointer());
    Resource resource = fromRoot || rootOf == null ? around : rootOf;
    Site site = new Site(document, resource, pointer, schema);
    metaCheck.check(site);
    if (!underWay.contains(site.schema())) {
      rule(site);
    }
    RuleLink link = new RuleLink(site);
    links.add(link);
    return link;
  }

  /** The rule of a subschema, which is read once. */
  Rule rule(Site site) {
    Map<String, Rule> known = site.document().rules();
    Rule rule = known.get(site.pointer());
    if (rule == null) {
      underWay.add(site.schema());
      rule = new Rule(site, new KeywordReader(this, site).keywords());
      known.put(site.pointer(), rule);
      fresh.add(rule);
      underWay.remove(site.schema());
      readDynamics(site.resource());
    }
    return rule;
  }

  /** Dynamic anchors may be asked for wherever their resource was entered. */
  private void readDynamics(Resource resource) {
    if (dynamicsRead.add(resource)) {
      for (String anchor : resource.dynamicAnchors()) {
        String pointer = String.valueOf(resource.anchors().get(anchor));
        resource.dynamic(anchor, ruleAt(resource.document(), resource, pointer, ""));
      }
    }
  }

  ReadingRules rules() {
    return rules;
  }
}
