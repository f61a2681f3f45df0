package org.oddlantern.schema.internal;

import java.util.Arrays;
import java.util.Optional;

/** Groups of keywords, as 2019-09 and 2020-12 define them. */
enum Vocabulary {
  CORE("core"),
  APPLICATOR("applicator"),
  UNEVALUATED("unevaluated"),
  VALIDATION("validation"),
  META_DATA("meta-data"),
  FORMAT("format"),
  FORMAT_ANNOTATION("format-annotation"),
  FORMAT_ASSERTION("format-assertion"),
  CONTENT("content");

  private final String name;

  Vocabulary(String name) {
    this.name = name;
  }

  static Optional<Vocabulary> named(String uri) {
    return Arrays.stream(values())
        .filter(one -> uri.equals("https://json-schema.org/draft/2019-09/vocab/" + one.name)
            || uri.equals("https://json-schema.org/draft/2020-12/vocab/" + one.name))
        .findFirst();
  }
}
