package org.oddlantern.bench;

import static org.oddlantern.check.Checks.*;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.ComparisonMode;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * What reading and checking a body costs, as a ratio to just parsing it. Both are done in turn, many
 * times in one process; the ratio of their medians is told, since machines are noisy.
 */
public final class ReadingBench {

  private static final int ROUNDS = 25;

  private final PrintStream out;

  private ReadingBench(PrintStream out) {
    this.out = out;
  }

  /**
   * Measures and prints.
   *
   * @param arguments none
   */
  public static void main(String[] arguments) {
    new ReadingBench(new PrintStream(System.out, true, StandardCharsets.UTF_8)).run();
  }

  private void run() {
    out.println("ratio to parsing the body (medians of " + ROUNDS + " rounds, done in turn)");
    for (int items : new int[] {6, 700, 36_000}) {
      body(items);
    }
    lists(100_000);
  }

  private void body(int items) {
    ObjectNode wanted = document(items);
    byte[] bytes = JsonMapping.standard().writeBytes(wanted);
    String size = String.format(Locale.ROOT, "%,d bytes", bytes.length);
    JsonNode tree = JsonMapping.standard().parse(bytes);
    JsonNode other = JsonMapping.standard().parse(bytes);
    List<TreePath> paths = paths();
    Map<TreePath, Shape> shapes = shapes(paths, items);
    int repeats = Math.max(1, 200_000 / bytes.length);
    Runnable parse = () -> JsonMapping.standard().parse(bytes);
    tell(size + ": read the paths", repeats, parse, () -> paths());
    tell(
        size + ": find by four paths",
        repeats,
        parse,
        () -> paths.forEach(path -> path.values(tree)));
    tell(size + ": the checks of a case", repeats, parse, () -> check(shapes, tree));
    tell(
        size + ": the whole body, equal",
        repeats,
        parse,
        () -> ComparisonMode.EXACTLY.differences(Location.ROOT, wanted, other));
    JsonNode spoilt = JsonMapping.standard().parse(bytes);
    spoilt.get("items").forEach(item -> ((ObjectNode) item).put("frames", -1));
    tell(
        size + ": the whole body, every item differs",
        repeats,
        parse,
        () -> ComparisonMode.EXACTLY.differences(Location.ROOT, wanted, spoilt));
  }

  private void lists(int size) {
    ArrayNode wanted = (ArrayNode) document(size).get("items");
    byte[] bytes = JsonMapping.standard().writeBytes(wanted);
    ArrayNode got = (ArrayNode) JsonMapping.standard().parse(bytes);
    for (int i = 0; i < 10; i++) {
      int place = i * (size / 11) + 5;
      got.insert(place + 3, got.remove(place));
    }
    Runnable parse = () -> JsonMapping.standard().parse(bytes);
    tell(
        String.format(Locale.ROOT, "%,d items, ten moved, exactly", size),
        1,
        parse,
        () -> ComparisonMode.EXACTLY.differences(Location.ROOT, wanted, got));
    tell(
        String.format(Locale.ROOT, "%,d items, ten moved, including", size),
        1,
        parse,
        () -> ComparisonMode.INCLUDING.differences(Location.ROOT, wanted, got));
    Shape anyOrder = itemsOf(wanted, 20_000);
    ArrayNode some = (ArrayNode) JsonMapping.standard().parse("[]");
    for (int i = 0; i < 20_000; i++) {
      some.add(wanted.get(19_999 - i));
    }
    byte[] someBytes = JsonMapping.standard().writeBytes(some);
    tell(
        "20,000 items in any order",
        1,
        () -> JsonMapping.standard().parse(someBytes),
        () -> anyOrder.differences(Location.ROOT, Json.of(some)));
  }

  private static Shape itemsOf(ArrayNode wanted, int count) {
    Object[] more = new Object[count - 1];
    for (int i = 1; i < count; i++) {
      more[i - 1] = wanted.get(i);
    }
    return items(wanted.get(0), more).inAnyOrder();
  }

  private static List<TreePath> paths() {
    return List.of(
        TreePath.of("$.total"),
        TreePath.of("$.items[3].label"),
        TreePath.of("$.items[*].id"),
        TreePath.of("$.items[?@.frames > 1 && @.mood == 'calm'].label"));
  }

  private static Map<TreePath, Shape> shapes(List<TreePath> paths, int items) {
    Map<TreePath, Shape> shapes = new LinkedHashMap<>();
    shapes.put(paths.get(0), exactly(items));
    shapes.put(paths.get(1), textMatching("hive-\\d+"));
    shapes.put(paths.get(2), eachItem(wholeNumber()));
    shapes.put(paths.get(3), eachItem(anyText()));
    return shapes;
  }

  private static void check(Map<TreePath, Shape> shapes, JsonNode tree) {
    shapes.forEach((path, shape) -> {
      JsonNode value = tree;
      if (path.isSingular()) {
        value = path.findOne(tree).value();
      } else {
        List<JsonNode> found = path.values(tree);
        value = JsonNodeFactory.instance.arrayNode(found.size()).addAll(found);
      }
      if (!NodeShape.of(shape).examine(Location.ROOT, value).isEmpty()) {
        throw new IllegalStateException(path + " does not hold");
      }
    });
  }

  private static ObjectNode document(int items) {
    ObjectNode document = (ObjectNode) JsonMapping.standard().parse("{\"total\":" + items + "}");
    ArrayNode list = document.putArray("items");
    for (int i = 0; i < items; i++) {
      list.addObject()
          .put("id", i)
          .put("label", "hive-" + i)
          .put("mood", i % 2 == 0 ? "calm" : "busy")
          .put("frames", i % 10)
          .put("madeOn", "2026-03-" + (10 + i % 20))
          .put("queenSeen", i % 3 == 0)
          .putObject("weather")
          .put("degrees", i % 30)
          .put("wind", "west");
    }
    return document;
  }

  private void tell(String what, int repeats, Runnable parse, Runnable work) {
    List<Long> parses = new ArrayList<>();
    List<Long> works = new ArrayList<>();
    for (int i = 0; i < ROUNDS * 2; i++) {
      long parsing = time(repeats, parse);
      long working = time(repeats, work);
      if (i >= ROUNDS) {
        parses.add(parsing);
        works.add(working);
      }
    }
    double ratio = (double) median(works) / median(parses);
    out.println(String.format(
        Locale.ROOT,
        "%6.2f  %s  (parsing takes %.3f ms)",
        ratio,
        what,
        median(parses) / 1e6 / repeats));
  }

  private static long time(int repeats, Runnable work) {
    long start = System.nanoTime();
    for (int i = 0; i < repeats; i++) {
      work.run();
    }
    return System.nanoTime() - start;
  }

  private static long median(List<Long> values) {
    long[] sorted = values.stream().mapToLong(Long::longValue).toArray();
    Arrays.sort(sorted);
    return sorted[sorted.length / 2];
  }
}
