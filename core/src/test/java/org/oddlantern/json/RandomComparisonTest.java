package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.oddlantern.json.internal.ComparisonMode;
import org.oddlantern.json.internal.Equality;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** What must hold for whatever values, tried on thousands made by chance (and the same ones every time). */
class RandomComparisonTest {

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
  private static final int ROUNDS = 1_500 * Integer.getInteger("stress", 1);

  private final Random random = new Random(4711);

  @Test
  void valuesAreSameWhateverTheOrderOfTheirMembersAndTheWritingOfTheirNumbers() {
    for (int i = 0; i < ROUNDS; i++) {
      JsonNode value = value(3);
      JsonNode again = rewritten(value);
      assertTrue(Equality.same(value, again), value + " and " + again);
      assertEquals(
          Equality.fingerprint(value), Equality.fingerprint(again), value + " and " + again);
      assertEquals(List.of(), ComparisonMode.EXACTLY.differences(Location.ROOT, value, again));
      assertEquals(List.of(), ComparisonMode.INCLUDING.differences(Location.ROOT, value, again));
    }
  }

  @Test
  void thereAreFindingsExactlyWhereThereIsADifference() {
    for (int i = 0; i < ROUNDS; i++) {
      JsonNode wanted = value(3);
      JsonNode got = random.nextBoolean() ? value(3) : changed(wanted);
      for (ComparisonMode comparison : ComparisonMode.values()) {
        assertEquals(
            comparison.holds(wanted, got),
            comparison.differences(Location.ROOT, wanted, got).isEmpty(),
            () -> comparison + " of " + wanted + " and " + got);
      }
    }
  }

  @Test
  void everyFindingPointsToAPlaceThatIsThereOrMissing() {
    for (int i = 0; i < ROUNDS; i++) {
      JsonNode wanted = value(3);
      JsonNode got = changed(wanted);
      for (Finding finding : ComparisonMode.EXACTLY.differences(Location.ROOT, wanted, got)) {
        JsonNode there = TreePath.of(finding.where()).findOne(got).value();
        boolean missing =
            finding.got().startsWith("nothing") || finding.got().startsWith("a list of");
        assertTrue(
            missing || Words.withKind(there).startsWith(finding.got().replaceAll(" \\(\\w.*", "")),
            () -> finding + " in " + got);
      }
    }
  }

  @Test
  void aShuffledListIsToldByMovesAlone() {
    for (int i = 0; i < 500; i++) {
      List<Integer> numbers =
          new ArrayList<>(IntStream.range(0, 2 + random.nextInt(9)).boxed().toList());
      ArrayNode wanted = list(numbers);
      Collections.shuffle(numbers, random);
      ArrayNode got = list(numbers);
      for (ComparisonMode comparison : ComparisonMode.values()) {
        for (Finding finding : comparison.differences(Location.ROOT, wanted, got)) {
          assertTrue(finding.hints().get(0).startsWith("moved: "), finding + " in " + got);
        }
      }
    }
  }

  @Test
  void oneItemTakenOutOrPutInIsToldAsThatItem() {
    for (int i = 0; i < 500; i++) {
      int size = 2 + random.nextInt(30);
      ArrayNode whole = list(IntStream.range(0, size).boxed().toList());
      ArrayNode part = whole.deepCopy();
      int place = random.nextInt(size);
      part.remove(place);
      List<Finding> missing = ComparisonMode.EXACTLY.differences(Location.ROOT, whole, part);
      assertEquals(2, missing.size(), () -> missing + " of " + part);
      assertEquals("$[" + place + "]", missing.get(1).where());
      List<Finding> surplus = ComparisonMode.EXACTLY.differences(Location.ROOT, part, whole);
      assertEquals(2, surplus.size());
      assertEquals("id " + place, surplus.get(1).item());
    }
  }

  /** By trying every order: what the standard library of this test knows. */
  @Test
  void anyOrderHoldsWhereSomeOrderDoes() {
    List<Shape> shapes =
        List.of(Shape.of(1), Shape.of("a"), wholeNumber(), anyText(), number().or("a"), not(1));
    List<JsonNode> values = List.of(
        NODES.numberNode(1), NODES.numberNode(2), NODES.stringNode("a"), NODES.stringNode("b"));
    int held = 0;
    for (int i = 0; i < 1_000; i++) {
      int size = 1 + random.nextInt(4);
      List<Shape> wanted = new ArrayList<>();
      ArrayNode got = NODES.arrayNode();
      for (int j = 0; j < size; j++) {
        wanted.add(shapes.get(random.nextInt(shapes.size())));
        got.add(values.get(random.nextInt(values.size())));
      }
      boolean some = someOrder(wanted, got, new ArrayList<>());
      held += some ? 1 : 0;
      Object[] more = wanted.subList(1, size).toArray();
      assertEquals(
          some,
          items(wanted.get(0), more)
              .inAnyOrder()
              .differences(Location.ROOT, Json.of(got))
              .isEmpty(),
          () -> wanted + " in " + got);
    }
    assertTrue(held > 100 && held < 900, "made nothing worth trying: " + held);
  }

  private static boolean someOrder(List<Shape> wanted, ArrayNode got, List<Integer> used) {
    if (used.size() == wanted.size()) {
      return true;
    }
    for (int i = 0; i < got.size(); i++) {
      if (!used.contains(i)
          && wanted
              .get(used.size())
              .differences(Location.ROOT, Json.of(got.get(i)))
              .isEmpty()) {
        used.add(i);
        if (someOrder(wanted, got, used)) {
          return true;
        }
        used.remove(used.size() - 1);
      }
    }
    return false;
  }

  /** On what both languages have, an I-Regexp matches what the JDK's expressions match. */
  @Test
  void expressionsMatchWhatTheJdkMatches() {
    int matched = 0;
    for (int i = 0; i < ROUNDS; i++) {
      String expression = expression(3);
      Pattern known = Pattern.compile(expression);
      for (int j = 0; j < 5; j++) {
        String text = text();
        ArrayNode texts = NODES.arrayNode().add(text);
        boolean whole = known.matcher(text).matches();
        matched += whole ? 1 : 0;
        assertEquals(whole, !found("match", expression, texts), () -> expression + " on " + text);
        assertEquals(
            known.matcher(text).find(),
            !found("search", expression, texts),
            () -> expression + " in " + text);
      }
    }
    assertTrue(matched > 300, "made nothing worth trying: " + matched);
  }

  private static boolean found(String function, String expression, ArrayNode texts) {
    return TreePath.of("$[?" + function + "(@, '" + expression + "')]")
        .find(texts)
        .isEmpty();
  }

  private String expression(int depth) {
    if (depth == 0) {
      return List.of("a", "b", "[ab]", "[^a]", ".", "ab").get(random.nextInt(6));
    }
    String inner = expression(depth - 1);
    return switch (random.nextInt(7)) {
      case 0 -> "(" + inner + ")*";
      case 1 -> "(" + inner + ")+";
      case 2 -> "(" + inner + ")?";
      case 3 -> "(" + inner + "){1,2}";
      case 4 -> "(" + inner + "|" + expression(depth - 1) + ")";
      case 5 -> inner + expression(depth - 1);
      default -> inner;
    };
  }

  private String text() {
    StringBuilder text = new StringBuilder();
    for (int i = random.nextInt(7); i > 0; i--) {
      text.append("abc".charAt(random.nextInt(3)));
    }
    return text.toString();
  }

  private JsonNode value(int depth) {
    int kind = random.nextInt(depth == 0 ? 5 : 8);
    return switch (kind) {
      case 0 -> NODES.nullNode();
      case 1 -> NODES.booleanNode(random.nextBoolean());
      case 2 -> NODES.numberNode(random.nextInt(5) - 2);
      case 3 -> NODES.numberNode(BigDecimal.valueOf(random.nextInt(40), 1));
      case 4 -> NODES.stringNode(text());
      case 5, 6 -> {
        ArrayNode list = NODES.arrayNode();
        for (int i = random.nextInt(5); i > 0; i--) {
          list.add(value(depth - 1));
        }
        yield list;
      }
      default -> {
        ObjectNode object = NODES.objectNode();
        for (int i = random.nextInt(4); i > 0; i--) {
          object.set("abcd".substring(0, i), value(depth - 1));
        }
        yield object;
      }
    };
  }

  private JsonNode rewritten(JsonNode value) {
    if (value.isArray()) {
      ArrayNode list = NODES.arrayNode();
      value.forEach(item -> list.add(rewritten(item)));
      return list;
    }
    if (value.isObject()) {
      ObjectNode object = NODES.objectNode();
      List<String> names = new ArrayList<>(value.propertyNames());
      Collections.shuffle(names, random);
      names.forEach(name -> object.set(name, rewritten(value.get(name))));
      return object;
    }
    return value.isNumber() ? NODES.numberNode(value.decimalValue().setScale(3)) : value;
  }

  private JsonNode changed(JsonNode value) {
    if (value.isEmpty() || random.nextInt(4) == 0) {
      return value(1);
    }
    JsonNode copy = value.deepCopy();
    if (copy instanceof ArrayNode list) {
      int place = random.nextInt(list.size());
      switch (random.nextInt(3)) {
        case 0 -> list.set(place, changed(list.get(place)));
        case 1 -> list.remove(place);
        default -> list.insert(place, value(1));
      }
    } else if (copy instanceof ObjectNode object) {
      String name = object.propertyNames().iterator().next();
      if (random.nextBoolean()) {
        object.set(name, changed(object.get(name)));
      } else {
        object.remove(name);
        object.set("z", value(1));
      }
    }
    return copy;
  }

  private static ArrayNode list(List<Integer> numbers) {
    ArrayNode list = NODES.arrayNode();
    numbers.forEach(number -> list.addObject().put("id", number).put("label", "hive " + number));
    return list;
  }
}
