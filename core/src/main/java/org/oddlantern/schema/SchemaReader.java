package org.oddlantern.schema;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.Json;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.schema.internal.CompiledSchema;
import org.oddlantern.schema.internal.Document;
import org.oddlantern.schema.internal.DocumentText;
import org.oddlantern.schema.internal.KnownSources;
import org.oddlantern.schema.internal.MetaSchemas;
import org.oddlantern.schema.internal.ReadingRules;
import org.oddlantern.schema.internal.SharedReading;
import org.oddlantern.schema.internal.Side;
import org.oddlantern.schema.internal.text.Format;
import org.oddlantern.schema.internal.text.KnownFormats;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Reads JSON Schemas by rules of one's own: another draft where none is named, formats that only
 * describe, formats and schemas that the code gives. Immutable and thread-safe.
 *
 * <pre>{@code
 * var reader = SchemaReader.standard()
 *     .assuming(Draft.DRAFT_7)
 *     .withFormat("hive-code", "a hive code like FH-0042", text -> text.matches("FH-\\d{4}"));
 * beeyard.send(Call.get("/hives")).must(body(reader.named("schemas/hives.json")));
 * }</pre>
 */
public final class SchemaReader {

  private static final SchemaReader STANDARD = new SchemaReader(
      Draft.DRAFT_2020_12, true, KnownFormats.all(), Map.of(), Set.of(), new MetaSchemas(), null);

  private final Draft assumed;
  private final boolean assertsFormats;
  private final Map<String, Format> formats;
  private final Map<String, JsonNode> known;
  private final Set<String> hosts;
  private final MetaSchemas metaSchemas;
  private final @Nullable AtomicReference<SharedReading> shared;

  private SchemaReader(
      Draft assumed,
      boolean assertsFormats,
      Map<String, Format> formats,
      Map<String, JsonNode> known,
      Set<String> hosts,
      MetaSchemas metaSchemas,
      @Nullable AtomicReference<SharedReading> shared) {
    this.assumed = assumed;
    this.assertsFormats = assertsFormats;
    this.formats = Map.copyOf(formats);
    this.known = Map.copyOf(known);
    this.hosts = Set.copyOf(hosts);
    this.metaSchemas = metaSchemas;
    this.shared = shared;
  }

  /**
   * The usual rules: draft 2020-12 where none is named, formats refuse what is not written so, nothing
   * is fetched from anywhere.
   *
   * @return the reader
   */
  public static SchemaReader standard() {
    return STANDARD;
  }

  /**
   * The same, with another draft for schemas without a {@code $schema}.
   *
   * @param draft the draft
   * @return the reader
   */
  public SchemaReader assuming(Draft draft) {
    return new SchemaReader(draft, assertsFormats, formats, known, hosts, metaSchemas, anew());
  }

  /**
   * The same, with {@code format} as an assertion or as an annotation that refuses nothing.
   *
   * @param asserting whether a text that is not written in its format is refused
   * @return the reader
   */
  public SchemaReader assertingFormats(boolean asserting) {
    return new SchemaReader(assumed, asserting, formats, known, hosts, metaSchemas, anew());
  }

  /**
   * The same, with one more format, or another meaning of one.
   *
   * @param name what the keyword {@code format} calls it
   * @param words the format in words, as they follow "wanted": {@code a hive code like FH-0042}
   * @param test says whether a text is written so; called from several threads
   * @return the reader
   */
  public SchemaReader withFormat(String name, String words, Predicate<String> test) {
    Map<String, Format> more = new HashMap<>(formats);
    more.put(Objects.requireNonNull(name, "name"), new Format(words, test, text -> ""));
    return new SchemaReader(assumed, assertsFormats, more, known, hosts, metaSchemas, anew());
  }

  /**
   * The same, knowing one more schema that others refer to.
   *
   * @param name the address they refer to it by, or its file name
   * @param schema the schema
   * @return the reader
   */
  public SchemaReader knowing(String name, Json schema) {
    Map<String, JsonNode> more = new HashMap<>(known);
    more.put(name, Trees.of(schema));
    return new SchemaReader(assumed, assertsFormats, formats, more, hosts, metaSchemas, anew());
  }

  /**
   * The same, reading each document once, for many schemas of the same large one. A file that changes
   * afterwards is not read again.
   *
   * @return the reader
   */
  public SchemaReader remembering() {
    return new SchemaReader(
        assumed, assertsFormats, formats, known, hosts, metaSchemas, new AtomicReference<>());
  }

  private @Nullable AtomicReference<SharedReading> anew() {
    return shared == null ? null : new AtomicReference<>();
  }

  /**
   * The same, fetching schemas from one more host.
   *
   * @param host its name, with the port if it is not the usual one: {@code schemas.example.org:8443}
   * @return the reader
   */
  public SchemaReader fetchingFrom(String host) {
    Set<String> more = new HashSet<>(hosts);
    more.add(host);
    return new SchemaReader(assumed, assertsFormats, formats, known, more, metaSchemas, anew());
  }

  /**
   * Reads a schema from a file: on the class path of the suites, then in the folder of the settings
   * file; from an absolute path; or from a URL of an allowed host. JSON or YAML. After a {@code #} a
   * JSON Pointer reaches into a larger document: {@code openapi.yaml#/components/schemas/Hive}.
   *
   * @param name the name, with or without a pointer
   * @return the schema
   * @throws SchemaProblem if it cannot be used
   * @throws IllegalArgumentException if there is no such file
   */
  public Schema named(String name) {
    int hash = name.indexOf('#');
    String file = hash < 0 ? name : name.substring(0, hash);
    String pointer = hash < 0 ? "" : pointer(name.substring(hash + 1), name);
    KnownSources sources = sources();
    return read(sources, sources.uri(file), () -> sources.named(file), pointer);
  }

  private static String pointer(String fragment, String name) {
    if (!fragment.isEmpty() && !fragment.startsWith("/")) {
      throw new SchemaProblem(
          name, "after # a JSON Pointer is wanted, which begins with a slash; got #" + fragment);
    }
    return fragment;
  }

  /**
   * Reads a schema from a file of the file system.
   *
   * @param file its path, absolute or from the working directory
   * @param pointer {@code #} and a JSON Pointer into it; empty for the whole
   * @return the schema
   * @throws SchemaProblem if it cannot be used
   */
  public Schema file(Path file, String pointer) {
    KnownSources sources = sources();
    String uri = file.toAbsolutePath().toUri().toString();
    String inside = pointer.startsWith("#") ? pointer.substring(1) : pointer;
    return read(
        sources,
        uri,
        () -> sources
            .document(uri)
            .orElseThrow(() -> new SchemaProblem(file.toString(), "there is no such file"))
            .called(file.toString()),
        pointer(inside, file + pointer));
  }

  /**
   * Reads a schema from a text.
   *
   * @param text JSON, or YAML
   * @return the schema
   * @throws SchemaProblem if it cannot be used
   */
  public Schema text(String text) {
    return of(Json.of(DocumentText.tree("the schema", text)));
  }

  /**
   * Reads a schema from a tree.
   *
   * @param schema an object or a boolean; it must not be changed afterwards
   * @return the schema
   * @throws SchemaProblem if it cannot be used
   */
  public Schema of(Json schema) {
    KnownSources sources = sources();
    Document document = sources.document(Trees.of(schema));
    return new Schema(CompiledSchema.read(document, "", rules(sources)));
  }

  private KnownSources sources() {
    return new KnownSources(Resources.current(), known, hosts);
  }

  private Schema read(
      KnownSources sources, String uri, Supplier<Document> document, String pointer) {
    return new Schema(reading(sources).read(uri, document, pointer));
  }

  private SharedReading reading(KnownSources sources) {
    SharedReading own = new SharedReading(rules(sources));
    return shared == null ? own : shared.updateAndGet(before -> before == null ? own : before);
  }

  private ReadingRules rules(KnownSources sources) {
    return new ReadingRules(assumed, assertsFormats, formats, sources, metaSchemas, true, Side.ANY);
  }
}
