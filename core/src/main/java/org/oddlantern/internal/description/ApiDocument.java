package org.oddlantern.internal.description;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Words;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.schema.internal.Document;
import org.oddlantern.schema.internal.ReadingRules;
import org.oddlantern.schema.internal.SharedReading;
import org.oddlantern.schema.internal.Side;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;

/** A description of an API that has been read (OpenAPI 3.0 and 3.1). Immutable and thread-safe. */
public final class ApiDocument {

  private static final Set<String> METHODS =
      Set.of("get", "put", "post", "delete", "options", "head", "patch", "trace");

  private static final String[] OF_PATHS =
      Stream.concat(METHODS.stream(), Stream.of("parameters", "servers")).toArray(String[]::new);

  private final Document document;
  private final boolean json;
  private final List<Document> others;
  private final List<Operation> operations;
  private final List<ServerPath> servers;
  private final PathIndex paths;
  private final Map<String, Map<String, Operation>> byPath = new HashMap<>();

  private ApiDocument(
      Document document,
      boolean json,
      List<Document> others,
      List<Operation> operations,
      List<ServerPath> servers) {
    this.document = document;
    this.others = List.copyOf(others);
    this.json = json;
    this.operations = List.copyOf(operations);
    this.servers = List.copyOf(servers);
    Map<String, PathTemplate> all = new LinkedHashMap<>();
    for (Operation one : operations) {
      all.putIfAbsent(one.path().text(), one.path());
      byPath
          .computeIfAbsent(one.path().text(), any -> new LinkedHashMap<>())
          .put(one.method(), one);
    }
    this.paths = new PathIndex(all.values());
  }

  /**
   * Reads a description.
   *
   * @param document what is in it
   * @param json whether it is written as JSON; else as YAML
   * @param eager whether each of its schemas is read at once, not only when it is needed
   * @param rules how schemas in it are read
   * @throws DescriptionProblem if it cannot be used
   */
  public static ApiDocument read(
      Document document, boolean json, boolean eager, ReadingRules rules) {
    Part root = new Part(document, "", document.root());
    refuseOthers(root);
    SharedReading requests = new SharedReading(rules.of(Side.REQUEST));
    SharedReading replies = new SharedReading(rules.of(Side.REPLY));
    try {
      Document sent = new Document(document.name(), document.uri(), document.root());
      requests.know(sent);
      replies.know(document);
    } catch (SchemaProblem e) {
      throw DescriptionProblem.of(e);
    }
    References references = new References(replies);
    List<Operation> operations = operations(root, references, requests, replies, eager);
    if (!eager) {
      new ReferenceCheck(references).check(root);
    }
    Map<String, Document> others = new LinkedHashMap<>();
    Stream.of(replies, requests)
        .flatMap(reading -> reading.documents().stream())
        .filter(one -> !one.uri().equals(document.uri()))
        .forEach(one -> others.putIfAbsent(one.uri(), one));
    return new ApiDocument(
        document,
        json,
        List.copyOf(others.values()),
        operations,
        root.items("servers").stream().map(part -> ServerPath.of(part.object())).toList());
  }

  private static void refuseOthers(Part root) {
    if (!root.node().isObject()) {
      throw root.problem("wanted a description of an API (OpenAPI 3.0 or 3.1), got "
          + Words.withKind(root.node()));
    }
    if (root.has("swagger")) {
      throw root.at("swagger")
          .problem(
              "this is Swagger 2.0; OpenAPI 3.0 and 3.1 are read, into which it can be converted");
    }
    String version = root.neededText("openapi");
    if (!version.matches("3\\.[0-2](\\.\\d+.*)?")) {
      throw root.at("openapi")
          .problem("wanted 3.0 or 3.1 with its patch, as 3.1.1; got " + Words.quoted(version));
    }
    if (version.startsWith("3.0") && !root.has("paths")) {
      throw root.missing("paths");
    }
    root.knowing("servers", "paths", "components", "security");
  }

  private static List<Operation> operations(
      Part root,
      References references,
      SharedReading requests,
      SharedReading replies,
      boolean eager) {
    Map<String, Security.Scheme> schemes = new LinkedHashMap<>();
    root.at("components")
        .members("securitySchemes")
        .forEach((title, part) ->
            schemes.put(title, Security.Scheme.of(title, references.followed(part))));
    OperationReading reading = new OperationReading(
        references,
        new ContentReading(references, requests, replies, eager),
        schemes,
        OperationReading.security(root, schemes));
    List<Operation> operations = new ArrayList<>();
    Map<String, String> shapes = new HashMap<>();
    root.members("paths").forEach((path, start) -> {
      if (!path.startsWith("/")) {
        throw start.problem("a path begins with a slash");
      }
      PathTemplate template = PathTemplate.of(path);
      String same = shapes.put(template.shape(), path);
      if (same != null) {
        throw start.problem("it cannot be told apart from " + same);
      }
      if (template.names().contains("")) {
        throw start.problem("its variable {} has no name");
      }
      Part item = references.followed(start).knowing(OF_PATHS);
      for (String key : item.node().propertyNames()) {
        if (METHODS.contains(key.toLowerCase(Locale.ROOT))) {
          operations.add(reading.read(key, template, item, item.at(key).object()));
        }
      }
    });
    return operations;
  }

  /** As messages call it. */
  public String name() {
    return document.name();
  }

  /** Where it comes from. */
  public String uri() {
    return document.uri();
  }

  /** The addresses of its servers, as they are written. */
  public List<String> servers() {
    List<String> urls = new ArrayList<>();
    document.root().path("servers").forEach(one -> urls.add(one.path("url").asString("")));
    return urls;
  }

  /** The documents that it refers to, and those that they do. */
  public List<Document> others() {
    return others;
  }

  /** What it is about, as it says itself; may be empty. */
  public String title() {
    return document.root().path("info").path("title").asString("");
  }

  /** Whether it is written as JSON; else as YAML. */
  public boolean isJson() {
    return json;
  }

  /** Whether it is OpenAPI 3.0, where a schema has one type. */
  public boolean isOld() {
    return document.root().path("openapi").asString("").startsWith("3.0");
  }

  /** What is at a place of a document of that name; nothing if that is another document. */
  public JsonNode at(String name, String pointer) {
    return name.equals(document.name()) ? document.at(pointer) : MissingNode.getInstance();
  }

  /** Its operations, in the order in which they stand. */
  public List<Operation> operations() {
    return operations;
  }

  /**
   * The path that an address belongs to.
   *
   * @param rest the path behind the service's own address
   * @param whole the whole path
   * @return the path with its variables; empty if none is described
   */
  public Optional<Place> place(String rest, String whole) {
    Optional<PathTemplate> own = paths.find(rest);
    if (own.isPresent()) {
      Map<String, String> variables = own.get().variables(rest);
      return variables == null ? Optional.empty() : Optional.of(new Place(own.get(), variables));
    }
    List<String> candidates = new ArrayList<>();
    for (String path : List.of(rest, whole)) {
      servers.forEach(server -> candidates.addAll(server.rests(path)));
    }
    for (String path : candidates) {
      Optional<PathTemplate> found = paths.find(path);
      if (found.isPresent()) {
        Map<String, String> variables = found.get().variables(path);
        if (variables != null) {
          return Optional.of(new Place(found.get(), variables));
        }
      }
    }
    return Optional.empty();
  }

  /** The operation of a method at a path; null if there is none. */
  public @Nullable Operation operation(String method, PathTemplate path) {
    return byPath.getOrDefault(path.text(), Map.of()).get(method.toUpperCase(Locale.ROOT));
  }

  /** The methods that a path has. */
  public Set<String> methods(PathTemplate path) {
    return byPath.getOrDefault(path.text(), Map.of()).keySet();
  }

  /**
   * A path and what its variables are.
   *
   * @param path the path
   * @param variables the texts of its variables, percent-encoded
   */
  public record Place(PathTemplate path, Map<String, String> variables) {}
}
