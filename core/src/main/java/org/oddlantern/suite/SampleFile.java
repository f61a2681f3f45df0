package org.oddlantern.suite;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.CsvTable;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.TypeMismatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Samples in a file: CSV (RFC 4180) with the names of the components in its first line, or a JSON list of
 * objects. Each becomes a record. Thread-safe.
 *
 * <p>In CSV a cell is read as its component says: as a number, true or false, or text. An empty cell is
 * null, {@code ""} is an empty text.
 *
 * <pre>{@code
 * @Samples
 * static List<Refusal> refusals() { return SampleFile.read("samples/refusals.csv", Refusal.class); }
 * }</pre>
 */
public final class SampleFile {

  private static final Set<Class<?>> TRUTHS = Set.of(boolean.class, Boolean.class);

  private SampleFile() {}

  /**
   * Reads the samples of a file.
   *
   * @param <T> the type of a sample
   * @param file a name ending in {@code .csv} or {@code .json}, on the class path of the suites or in the
   *     folder of the settings file
   * @param type the record of a sample
   * @return the samples in the order of the file
   * @throws IllegalArgumentException if there is no such file or something in it does not fit, with the line
   *     or the place
   */
  public static <T extends Record> List<T> read(String file, Class<T> type) {
    String text = Resources.current().text(file);
    String plain = text.startsWith("\ufeff") ? text.substring(1) : text;
    if (file.endsWith(".csv")) {
      return rows(file, plain, type);
    }
    if (file.endsWith(".json")) {
      return items(file, plain, type);
    }
    throw new IllegalArgumentException(
        "samples are read from files ending in .csv or .json, not from " + file);
  }

  private static <T> List<T> items(String file, String text, Class<T> type) {
    try {
      JsonNode tree = JsonMapping.standard().parse(text);
      if (!tree.isArray()) {
        throw new IllegalArgumentException(
            file + " holds " + Words.kind(tree) + "; samples are a list of objects");
      }
      List<T> samples = new ArrayList<>();
      for (JsonNode item : tree) {
        samples.add(sample(file + ", $[" + samples.size() + "]", item, type));
      }
      return samples;
    } catch (NotJson e) {
      throw new IllegalArgumentException(file + " is not JSON: " + e.getMessage(), e);
    }
  }

  private static <T> List<T> rows(String file, String text, Class<T> type) {
    Map<String, Class<?>> components = new LinkedHashMap<>();
    Arrays.stream(type.getRecordComponents())
        .forEach(component -> components.put(component.getName(), component.getType()));
    CsvTable table;
    try {
      table = CsvTable.of(text, ',');
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(file + " is not CSV: " + e.getMessage(), e);
    }
    List<T> samples = new ArrayList<>();
    for (CsvTable.Row row : table.rows()) {
      String place = file + ", line " + row.line();
      Map<String, @Nullable Object> cells = new LinkedHashMap<>();
      row.cells().forEach((written, cell) -> {
        String name = known(written.strip(), components, file);
        cells.put(name, typed(cell, components.get(name), place, name));
      });
      samples.add(sample(place, JsonMapping.standard().tree(cells), type));
    }
    return samples;
  }

  private static String known(String name, Map<String, Class<?>> components, String file) {
    if (!components.containsKey(name)) {
      String hint = NearestMatch.hint(name, components.keySet());
      throw new IllegalArgumentException("%s, line 1: no component is called '%s'; there are %s%s"
          .formatted(
              file,
              name,
              Words.names(components.keySet()),
              hint.isEmpty() ? "" : " (" + hint + ")"));
    }
    return name;
  }

  /** A cell as JSON would have it. */
  private static @Nullable Object typed(
      @Nullable String cell, @Nullable Class<?> type, String place, String name) {
    if (cell == null || type == null) {
      return cell;
    }
    String wanted = TRUTHS.contains(type) ? "true or false" : "a number";
    if (TRUTHS.contains(type) && (cell.equals("true") || cell.equals("false"))) {
      return Boolean.valueOf(cell);
    }
    if (TRUTHS.contains(type)) {
      throw misfit(cell, place, name, wanted);
    }
    boolean number =
        Number.class.isAssignableFrom(type) || type.isPrimitive() && type != char.class;
    try {
      return number ? number(cell.strip()) : cell;
    } catch (NumberFormatException e) {
      throw misfit(cell, place, name, wanted);
    }
  }

  /** A whole number stays one, so that it fits where one is wanted. */
  private static Object number(String text) {
    return text.matches("[+-]?\\d+") ? new BigInteger(text) : new BigDecimal(text);
  }

  private static IllegalArgumentException misfit(
      String cell, String place, String name, String wanted) {
    return new IllegalArgumentException(
        "%s: the cell '%s' is %s; wanted %s".formatted(place, name, Words.quoted(cell), wanted));
  }

  private static <T> T sample(String place, JsonNode tree, Class<T> type) {
    try {
      return JsonMapping.standard().read(tree, type);
    } catch (TypeMismatch e) {
      throw new IllegalArgumentException(place + ": " + e.getMessage(), e);
    }
  }
}
