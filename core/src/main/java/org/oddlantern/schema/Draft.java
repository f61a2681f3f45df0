package org.oddlantern.schema;

import java.util.Arrays;
import java.util.Optional;

/** The drafts of JSON Schema that are understood, oldest first. */
public enum Draft {
  /** Draft 4 of 2013, also what OpenAPI 3.0 builds on. */
  DRAFT_4("draft4", "http://json-schema.org/draft-04/schema"),
  /** Draft 6 of 2017. */
  DRAFT_6("draft6", "http://json-schema.org/draft-06/schema"),
  /** Draft 7 of 2018. */
  DRAFT_7("draft7", "http://json-schema.org/draft-07/schema"),
  /** Draft 2019-09. */
  DRAFT_2019_09("draft2019-09", "https://json-schema.org/draft/2019-09/schema"),
  /** Draft 2020-12, also what OpenAPI 3.1 builds on; assumed where a schema names none. */
  DRAFT_2020_12("draft2020-12", "https://json-schema.org/draft/2020-12/schema");

  private final String label;
  private final String uri;

  Draft(String label, String uri) {
    this.label = label;
    this.uri = uri;
  }

  /**
   * Its name in short.
   *
   * @return {@code draft7}, {@code draft2020-12}, ...
   */
  public String label() {
    return label;
  }

  /**
   * The address of its meta-schema, as {@code $schema} names it, without a fragment.
   *
   * @return the address
   */
  public String uri() {
    return uri;
  }

  /**
   * Whether this is a draft or a later one.
   *
   * @param first that draft
   * @return true if it is
   */
  public boolean since(Draft first) {
    return compareTo(first) >= 0;
  }

  /**
   * Whether this is a draft or an earlier one.
   *
   * @param last that draft
   * @return true if it is
   */
  public boolean until(Draft last) {
    return compareTo(last) <= 0;
  }

  /**
   * The draft that a {@code $schema} names.
   *
   * @param uri the address, with or without an empty fragment
   * @return the draft; empty if it is none of them
   */
  public static Optional<Draft> named(String uri) {
    String plain = afterScheme(uri.endsWith("#") ? uri.substring(0, uri.length() - 1) : uri);
    return Arrays.stream(values())
        .filter(draft -> !plain.isEmpty() && afterScheme(draft.uri).equals(plain))
        .findFirst();
  }

  /** What follows the scheme, secure or not; empty if it is neither. */
  private static String afterScheme(String uri) {
    int colon = uri.startsWith("http:") || uri.startsWith("https:") ? uri.indexOf(':') : -1;
    return colon < 0 ? "" : uri.substring(colon);
  }
}
