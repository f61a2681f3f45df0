package org.oddlantern.schema.internal;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;
import org.oddlantern.schema.internal.text.Format;
import org.oddlantern.schema.internal.text.TextPattern;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The keywords that look into texts, but for their length. */
final class Texts {

  private Texts() {}

  /** {@code pattern}. */
  static final class Matches extends Keyword {
    private final TextPattern pattern;

    Matches(TextPattern pattern) {
      super("pattern", Kind.TEXT);
      this.pattern = pattern;
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      return pattern.isIn(value.stringValue());
    }

    @Override
    String wanted() {
      return "a text with " + Words.cut(pattern.source()) + " in it";
    }

    @Override
    String got(JsonNode value) {
      return Words.of(value);
    }
  }

  /** {@code format}, where it is an assertion. */
  static final class Formatted extends Keyword {
    private final Format format;

    Formatted(Format format) {
      super("format", Kind.TEXT);
      this.format = format;
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      return format.accepts(value.stringValue());
    }

    @Override
    String wanted() {
      return format.words();
    }

    @Override
    String got(JsonNode value) {
      return Words.of(value);
    }

    @Override
    String hint(JsonNode value) {
      return format.hint(value.stringValue());
    }
  }

  /** {@code contentEncoding} and {@code contentMediaType} of draft 7, where formats are assertions. */
  static final class Content extends Keyword {
    private final boolean encoded;
    private final boolean json;

    Content(boolean encoded, boolean json) {
      super(encoded ? "contentEncoding" : "contentMediaType", Kind.TEXT);
      this.encoded = encoded;
      this.json = json;
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      try {
        String plain = encoded ? decoded(value.stringValue()) : value.stringValue();
        return !json || !JsonMapping.standard().parse(plain).isMissingNode();
      } catch (IllegalArgumentException | NotJson e) {
        return false;
      }
    }

    /** RFC 2045, section 6.8: lines may be broken, padding may not be missing. */
    private static String decoded(String text) {
      String joined = text.replaceAll("[\\r\\n]", "");
      if (joined.length() % 4 != 0) {
        throw new IllegalArgumentException("padding is missing");
      }
      return new String(Base64.getDecoder().decode(joined), StandardCharsets.UTF_8);
    }

    @Override
    String wanted() {
      return (json ? "JSON in a text" : "a text") + (encoded ? " in base64" : "");
    }
  }
}
