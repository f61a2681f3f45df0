package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.oddlantern.internal.Masked;
import org.oddlantern.schema.internal.text.Format;
import org.oddlantern.schema.internal.text.KnownFormats;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** The texts that all samples had at one place. */
final class SampleTexts {

  /** Those that are hardly met by chance, the narrower first. */
  private static final Map<String, Format> RECOGNISED = recognised();

  private static final int MOST_VALUES = 10;

  private static final int LONGEST_VALUE = 40;
  private static final int REPEATS = 4;

  private final List<String> formats = new ArrayList<>(RECOGNISED.keySet());
  private final Map<String, Integer> values = new LinkedHashMap<>();
  private int count;
  private boolean free;

  private static Map<String, Format> recognised() {
    Map<String, Format> all = KnownFormats.all();
    Map<String, Format> recognised = new LinkedHashMap<>();
    for (String name :
        List.of("date-time", "date", "time", "uuid", "email", "ipv4", "ipv6", "uri")) {
      recognised.put(name, Objects.requireNonNull(all.get(name)));
    }
    return recognised;
  }

  void add(String text) {
    count++;
    RECOGNISED.forEach((name, format) -> {
      if (!format.accepts(text)) {
        formats.remove(name);
      }
    });
    free |= text.length() > LONGEST_VALUE || text.contains(Masked.TEXT);
    if (!free && values.size() <= MOST_VALUES) {
      values.merge(text, 1, Integer::sum);
    }
  }

  /**
   * Writes a format, or the values if they are few and repeat.
   *
   * @param only whether nothing but texts stands at this place, null aside
   * @param nullable whether null stands there too
   */
  void write(ObjectNode schema, boolean only, boolean nullable) {
    if (count == 0) {
      return;
    }
    if (!formats.isEmpty()) {
      schema.put("format", formats.get(0));
    } else if (only && areFew()) {
      ArrayNode list = schema.putArray("enum");
      values.keySet().stream().sorted().forEach(list::add);
      if (nullable) {
        list.addNull();
      }
    }
  }

  private boolean areFew() {
    return !free
        && values.size() <= MOST_VALUES
        && count >= 2 * REPEATS
        && count >= REPEATS * values.size()
        && values.values().stream().allMatch(times -> times > 1);
  }
}
