package org.oddlantern.schema.internal;

import java.io.IOException;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.internal.Words;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Names given in code, the drafts' own schemas, files, and hosts that are allowed.
 *
 * @param resources the files of the suites
 * @param known documents by the names they were given
 * @param hosts what may be fetched from, with its port where that is not the usual one
 */
public record KnownSources(Resources resources, Map<String, JsonNode> known, Set<String> hosts)
    implements Sources {

  /** The beginning of the address of a file of the suites. */
  private static final String RESOURCE = "resource:/";

  /** The beginning of the address of a schema made in code. */
  private static final String CODE = "code:/";

  /** Keeps its own lists. */
  public KnownSources {
    known = Map.copyOf(known);
    hosts = Set.copyOf(hosts);
  }

  /** A tree made in code, without a name. */
  public Document document(JsonNode tree) {
    return new Document("the schema", CODE + "schema", tree);
  }

  /** A file of the suites, or one that is fetched. */
  public Document named(String name) {
    if (isRemote(name)) {
      return document(name).orElseThrow(() -> new SchemaProblem(name, whyNot(name)));
    }
    if (known.containsKey(name)) {
      return new Document(name, RESOURCE + name, known.get(name));
    }
    String text = resources.text(name);
    return new Document(name, addressOf(name), DocumentText.tree(name, text));
  }

  /** The text of a file of the suites, or of one that is fetched. */
  public String text(String name) {
    if (!isRemote(name)) {
      return resources.text(name);
    }
    if (!isAllowed(name)) {
      throw new SchemaProblem(name, whyNot(name));
    }
    return Fetching.text(name);
  }

  /** Where a file of that name comes from, as references name it. */
  public String uri(String name) {
    return isRemote(name) ? name : known.containsKey(name) ? RESOURCE + name : addressOf(name);
  }

  private static String addressOf(String name) {
    return Path.of(name).isAbsolute()
        ? Path.of(name).toUri().toString()
        : URI.create(RESOURCE).resolve(encoded(name)).toString();
  }

  private static String encoded(String name) {
    try {
      return new URI(null, null, "/" + name, null).getRawPath();
    } catch (URISyntaxException e) {
      throw new SchemaProblem(name, "this is no name of a file");
    }
  }

  @Override
  public Optional<Document> document(String uri) {
    JsonNode tree = known.get(uri);
    if (tree == null && (uri.startsWith(RESOURCE) || uri.startsWith(CODE))) {
      tree = known.get(uri.substring(uri.indexOf('/') + 1));
    }
    if (tree != null) {
      String name = uri.startsWith(RESOURCE) ? URI.create(uri).getPath().substring(1) : uri;
      return Optional.of(new Document(name, uri, tree));
    }
    if (uri.startsWith(RESOURCE)) {
      return resource(uri);
    }
    if (uri.startsWith("file:")) {
      return file(uri);
    }
    Optional<Document> own = MetaSchemas.document(uri);
    return own.isEmpty() && isAllowed(uri)
        ? Optional.of(new Document(uri, uri, DocumentText.tree(uri, Fetching.text(uri))))
        : own;
  }

  private Optional<Document> resource(String uri) {
    String name = URI.create(uri).getPath().substring(1);
    return resources
        .find(name)
        .map(bytes -> new Document(
            name, uri, DocumentText.tree(name, new String(bytes, StandardCharsets.UTF_8))));
  }

  private static Optional<Document> file(String uri) {
    Path path = Path.of(URI.create(uri));
    String name = shown(path);
    try {
      return Files.isRegularFile(path)
          ? Optional.of(new Document(name, uri, DocumentText.tree(name, Files.readString(path))))
          : Optional.empty();
    } catch (IOException e) {
      throw new SchemaProblem(name, "the file cannot be read: " + e);
    }
  }

  /** As a person in the working directory would write it. */
  private static String shown(Path path) {
    Path here = Path.of("").toAbsolutePath();
    return (path.startsWith(here) ? here.relativize(path) : path).toString();
  }

  private static boolean isRemote(String uri) {
    return uri.startsWith("http://") || uri.startsWith("https://");
  }

  private boolean isAllowed(String uri) {
    return isRemote(uri)
        && (hosts.contains(URI.create(uri).getAuthority())
            || hosts.contains(URI.create(uri).getHost()));
  }

  @Override
  public String whyNot(String uri) {
    if (isRemote(uri)) {
      return "nothing is fetched from %s, since neither the settings nor the code allow it: %s"
          .formatted(
              URI.create(uri).getAuthority(),
              "give the schema by SchemaReader.knowing(\"" + uri + "\", ...), or add the host to"
                  + " 'schemas: { hosts: [...] }' in the settings");
    }
    if (uri.startsWith(RESOURCE)) {
      return "there is no file '" + URI.create(uri).getPath().substring(1)
          + "' on the class path of the suites or beside the settings file";
    }
    if (uri.startsWith("file:")) {
      return "there is no file " + Path.of(URI.create(uri));
    }
    if (uri.startsWith(CODE)) {
      return "a schema that was made in code has no neighbours; give it by"
          + " SchemaReader.knowing(\"" + uri.substring(CODE.length()) + "\", ...)";
    }
    return "no schema is known by the address " + Words.quoted(uri)
        + (known.isEmpty()
            ? ""
            : "; known are " + Words.names(known.keySet().stream().sorted().toList()));
  }
}
