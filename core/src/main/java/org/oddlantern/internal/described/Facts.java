package org.oddlantern.internal.described;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;

/**
 * What is known of an exchange: of one that just took place, or of one out of a journal, where secrets
 * stand as {@code ***} and long bodies may be missing.
 *
 * @param sent what was sent
 * @param came what came back; null if nothing did
 */
public record Facts(Sent sent, @Nullable Came came) {

  /** What stands in the stead of a secret. */
  public static final String MASK = "***";

  /**
   * What was sent.
   *
   * @param method the method
   * @param where where to
   * @param headers the headers
   * @param body the body
   */
  public record Sent(String method, Where where, List<Header> headers, Body body) {

    /** Keeps its own list. */
    public Sent {
      headers = List.copyOf(headers);
    }
  }

  /**
   * What came back.
   *
   * @param status the status
   * @param headers the headers
   * @param body the body
   */
  public record Came(int status, List<Header> headers, Body body) {

    /** Keeps its own list. */
    public Came {
      headers = List.copyOf(headers);
    }
  }

  /**
   * A body.
   *
   * @param bytes its size
   * @param text its text; null if it is no text, or not known
   * @param fields of a form in parts, its parts
   */
  public record Body(long bytes, @Nullable String text, List<Field> fields) {

    /** None at all. */
    public static final Body NONE = new Body(0, null, List.of());

    /** Keeps its own list. */
    public Body {
      fields = List.copyOf(fields);
    }

    /** The same of another size: of what was streamed no more is known. */
    public Body of(long size) {
      return new Body(size, text, fields);
    }

    /** Whether there is none. */
    boolean isNone() {
      return bytes == 0 && fields.isEmpty();
    }
  }

  /**
   * A part of a form.
   *
   * @param name the name of its field
   * @param contentType its media type; empty if it has none
   * @param text its text; null if it is no text, or not known
   */
  public record Field(
      String name, String contentType, @Nullable String text) {}

  static Optional<String> first(List<Header> headers, String name) {
    return headers.stream()
        .filter(header -> header.name().equalsIgnoreCase(name))
        .map(Header::value)
        .findFirst();
  }

  static List<String> all(List<Header> headers, String name) {
    return headers.stream()
        .filter(header -> header.name().equalsIgnoreCase(name))
        .map(Header::value)
        .toList();
  }

  static String contentType(List<Header> headers) {
    return first(headers, "Content-Type").orElse("");
  }
}
