package org.oddlantern.http;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.HeaderRules;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.internal.JsonMapping;

/**
 * One part of a multipart body: a text, a JSON value or a file. Immutable and thread-safe.
 *
 * <pre>{@code
 * Call.post("/hives/{id}/photos", id)
 *         .part("note", Part.text("queen seen"))
 *         .part("photo", Part.file("photos/queen.png"))
 * }</pre>
 */
public final class Part {

  private static final Map<String, String> TYPES = Map.ofEntries(
      Map.entry("png", "image/png"),
      Map.entry("jpg", "image/jpeg"),
      Map.entry("jpeg", "image/jpeg"),
      Map.entry("gif", "image/gif"),
      Map.entry("svg", "image/svg+xml"),
      Map.entry("pdf", "application/pdf"),
      Map.entry("json", "application/json"),
      Map.entry("xml", "application/xml"),
      Map.entry("csv", "text/csv"),
      Map.entry("txt", "text/plain"),
      Map.entry("html", "text/html"),
      Map.entry("zip", "application/zip"));

  private final Function<JsonMapping, Content> content;
  private final String contentType;
  private final String fileName;

  private Part(Function<JsonMapping, Content> content, String contentType, String fileName) {
    this.content = content;
    this.contentType = contentType;
    this.fileName = fileName;
  }

  /**
   * A plain field.
   *
   * @param value a text, number, {@code Secret} or key, written as on the wire
   * @return the part, without a content type of its own
   */
  public static Part text(Object value) {
    Needed.of(value, "text(value): value");
    return new Part(
        mapping -> Content.of(Scalars.text(value, mapping, "a part of a multipart body")
            .getBytes(StandardCharsets.UTF_8)),
        "",
        "");
  }

  /**
   * A JSON value.
   *
   * @param value a payload, record, map, list or tree
   * @return the part, of type {@code application/json}
   */
  public static Part json(@Nullable Object value) {
    return new Part(mapping -> Content.of(mapping.writeBytes(value)), "application/json", "");
  }

  /**
   * A file on the class path of the suites or in the folder of the settings file.
   *
   * @param name its name there
   * @return the part, with the file's name and a type by its ending
   */
  public static Part file(String name) {
    Needed.of(name, "file(name): name");
    return new Part(
        mapping -> Content.of(Resources.current().bytes(name)), typeOf(name), lastName(name));
  }

  /**
   * A file anywhere, read while it is sent, however large.
   *
   * @param file the file
   * @return the part, with the file's name and a type by its ending
   */
  public static Part file(Path file) {
    Needed.of(file, "file(file): file");
    String name = String.valueOf(file.getFileName());
    return new Part(mapping -> FileContent.of(file), typeOf(name), name);
  }

  /**
   * Bytes.
   *
   * @param bytes the bytes
   * @param contentType their media type
   * @return the part, without a file name
   */
  public static Part bytes(byte[] bytes, String contentType) {
    Needed.of(bytes, "bytes(bytes, contentType): bytes");
    Needed.of(contentType, "bytes(bytes, contentType): contentType");
    byte[] copy = bytes.clone();
    return new Part(mapping -> Content.of(copy), contentType, "");
  }

  /**
   * This part with another media type.
   *
   * @param type the media type; empty for none
   * @return the part
   */
  public Part ofType(String type) {
    return new Part(content, HeaderRules.checkedValue("Content-Type", type), fileName);
  }

  /**
   * This part with another file name.
   *
   * @param name the name it travels under; empty for none
   * @return the part
   */
  public Part underName(String name) {
    return new Part(content, contentType, name);
  }

  ContentPart resolved(String name, JsonMapping mapping) {
    return new ContentPart(name, fileName, contentType, content.apply(mapping));
  }

  static String typeOf(String name) {
    Needed.of(name, "the name of a file");
    String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    return TYPES.getOrDefault(ending, "application/octet-stream");
  }

  private static String lastName(String name) {
    return name.substring(name.lastIndexOf('/') + 1);
  }
}
