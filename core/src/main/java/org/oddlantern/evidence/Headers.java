package org.oddlantern.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.oddlantern.evidence.internal.HeaderRules;

/**
 * Header fields in their order, repeated ones included; names are found in any case (RFC 9110, section
 * 5.1). Immutable and thread-safe.
 *
 * @param fields the fields in order
 */
public record Headers(List<Header> fields) {

  /** No fields. */
  public static final Headers NONE = new Headers(List.of());

  /** Keeps its own copy. */
  public Headers {
    fields = List.copyOf(fields);
  }

  /**
   * The first value of that name.
   *
   * @param name the name, in any case
   * @return the value; empty if there is no such header
   */
  public Optional<String> first(String name) {
    for (Header field : fields) {
      if (field.name().equalsIgnoreCase(name)) {
        return Optional.of(field.value());
      }
    }
    return Optional.empty();
  }

  /**
   * Every value of that name.
   *
   * @param name the name, in any case
   * @return the values in order
   */
  public List<String> all(String name) {
    return fields.stream()
        .filter(field -> field.name().equalsIgnoreCase(name))
        .map(Header::value)
        .toList();
  }

  /**
   * The distinct names.
   *
   * @return the names as first written, in order
   */
  public List<String> names() {
    List<String> names = new ArrayList<>();
    for (Header field : fields) {
      if (names.stream().noneMatch(field.name()::equalsIgnoreCase)) {
        names.add(field.name());
      }
    }
    return names;
  }

  /**
   * These headers with one set; it replaces all of that name.
   *
   * @param name the name
   * @param value the value
   * @return the headers
   * @throws IllegalArgumentException if name or value cannot be in a header (RFC 9110, section 5)
   */
  public Headers with(String name, String value) {
    Header added = HeaderRules.toSend(name, value);
    List<Header> more = new ArrayList<>(fields);
    more.removeIf(field -> field.name().equalsIgnoreCase(name));
    more.add(added);
    return new Headers(more);
  }

  /**
   * These headers without any of that name.
   *
   * @param name the name, in any case
   * @return the headers
   */
  public Headers without(String name) {
    return first(name).isEmpty()
        ? this
        : new Headers(fields.stream()
            .filter(field -> !field.name().equalsIgnoreCase(name))
            .toList());
  }

  /**
   * These headers with others set; they replace those of the same names.
   *
   * @param others what to set
   * @return the headers
   */
  public Headers with(Headers others) {
    if (others.fields.isEmpty()) {
      return this;
    }
    List<Header> more = new ArrayList<>(fields);
    more.removeIf(field -> others.first(field.name()).isPresent());
    more.addAll(others.fields);
    return new Headers(more);
  }
}
