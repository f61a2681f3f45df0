package org.oddlantern.schema.internal;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.schema.SchemaProblem;

/** The drafts' own schemas, which ship with the library; each is read once. Thread-safe. */
public final class MetaSchemas {

  private static final String NEW = "https://json-schema.org/draft/";

  private final Map<String, CompiledSchema> read = new ConcurrentHashMap<>();

  /** None is read yet. */
  public MetaSchemas() {}

  /** The meta-schema of a dialect. */
  CompiledSchema of(Dialect dialect, ReadingRules rules) {
    CompiledSchema known = read.get(dialect.uri());
    if (known != null) {
      return known;
    }
    Optional<Document> own = document(dialect.uri());
    Document document = own.or(() -> rules.sources().document(dialect.uri()))
        .orElseThrow(
            () -> new SchemaProblem(dialect.uri(), "the meta-schema cannot be found any more"));
    CompiledSchema meta = CompiledSchema.read(document, "", rules.ofMetaSchema());
    if (own.isPresent()) {
      read.put(dialect.uri(), meta);
    }
    return meta;
  }

  /** The document at the address of a draft or a part of it; empty for any other. */
  static Optional<Document> document(String uri) {
    String file = "";
    if (uri.startsWith(NEW)) {
      file = uri.substring(NEW.length()).replace("/meta/", "-").replace('/', '-');
    } else if (uri.matches("https?://json-schema\\.org/draft-0[467]/schema")) {
      file = uri.substring(uri.indexOf("draft-"), uri.lastIndexOf('/'));
    }
    return file.isEmpty() || !file.matches("[\\w-]+")
        ? Optional.empty()
        : text(file).map(text -> new Document(uri, uri, JsonMapping.standard().parse(text)));
  }

  private static Optional<String> text(String name) {
    try (InputStream stream =
        MetaSchemas.class.getResourceAsStream("/org/oddlantern/schema/meta/" + name + ".json")) {
      return stream == null
          ? Optional.empty()
          : Optional.of(new String(stream.readAllBytes(), StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new UncheckedIOException("a meta-schema of this library cannot be read", e);
    }
  }
}
