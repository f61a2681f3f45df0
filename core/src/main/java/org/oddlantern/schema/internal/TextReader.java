package org.oddlantern.schema.internal;

import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.internal.text.Format;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Reads the keywords of one subschema that look into texts. */
final class TextReader {

  private static final Pattern JSON = Pattern.compile("(?i)application/(.*\\+)?json(;.*)?");

  private final SchemaReading reading;
  private final ReadingRules rules;
  private final Site site;
  private final List<Keyword> keywords;

  TextReader(SchemaReading reading, Site site, List<Keyword> keywords) {
    this.reading = reading;
    this.rules = reading.rules();
    this.site = site;
    this.keywords = keywords;
  }

  void read() {
    JsonNode schema = site.schema();
    Dialect dialect = site.dialect();
    JsonNode pattern = schema.path("pattern");
    if (pattern.isString() && dialect.has(Vocabulary.VALIDATION)) {
      keywords.add(
          new Texts.Matches(reading.pattern(pattern.stringValue(), () -> site.place("pattern"))));
    }
    boolean asserted = rules.assertsFormats() || dialect.has(Vocabulary.FORMAT_ASSERTION);
    Map<String, Format> formats = rules.formats();
    Format format = formats.get(schema.path("format").asString(""));
    if (asserted && format != null) {
      keywords.add(new Texts.Formatted(format));
    }
    if (rules.assertsFormats() && dialect.draft() == Draft.DRAFT_7) {
      content(schema);
    }
  }

  /** Draft 7 lets content be checked; from 2019-09 on it only describes. */
  private void content(JsonNode schema) {
    boolean base64 = schema.path("contentEncoding").asString("").equalsIgnoreCase("base64");
    boolean json = JSON.matcher(schema.path("contentMediaType").asString("")).matches();
    boolean plain = base64 || !schema.has("contentEncoding");
    if (base64 || json && plain) {
      keywords.add(new Texts.Content(base64, json));
    }
  }
}
