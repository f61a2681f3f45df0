package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.status;

import java.net.URL;
import java.net.URLClassLoader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.oddlantern.check.Shapes;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.TypeMismatch;
import org.oddlantern.payload.Payload;

/** A project's own mapper writes and reads by its own rules, and what is this library's own keeps its meaning. */
class OwnMapperTest {

  @Key
  public record HiveId(int value) {}

  public record Hive(HiveId id, String queenName, Secret pin) {}

  static Stream<Object> snakes() {
    return Stream.of(
        com.fasterxml.jackson.databind.json.JsonMapper.builder()
            .propertyNamingStrategy(
                com.fasterxml.jackson.databind.PropertyNamingStrategies.SNAKE_CASE)
            .build(),
        tools.jackson.databind.json.JsonMapper.builder()
            .propertyNamingStrategy(tools.jackson.databind.PropertyNamingStrategies.SNAKE_CASE)
            .build());
  }

  @ParameterizedTest
  @MethodSource("snakes")
  void jacksonKeepsItsRulesAndLearnsOurTypes(Object mapper) throws Exception {
    List<String> heard = new ArrayList<>();
    JsonMapping mapping = JsonMapping.of(mapper).hearing(heard::add);
    Hive hive = new Hive(new HiveId(7), "Ada", Secret.of("1234"));
    String written = "{\"id\":7,\"queen_name\":\"Ada\",\"pin\":\"1234\"}";
    assertEquals(written, mapping.write(hive));
    assertEquals(written, new String(mapping.writeBytes(hive), StandardCharsets.UTF_8));
    assertEquals(List.of("1234", "1234"), heard);
    assertEquals("{\"7\":1}", mapping.write(Map.of(new HiveId(7), 1)));
    assertEquals(hive, mapping.read(mapping.parse(written), Hive.class));
    assertEquals(List.of("1234", "1234", "1234"), heard);
    assertEquals(new HiveId(8), mapping.read(mapping.parse("8"), HiveId.class));
    assertEquals(
        "{\"hive\":{\"a\":1},\"pin\":\"99\"}",
        new String(
            mapping.writeBytes(new java.util.TreeMap<>(
                Map.of("hive", Payload.json("{\"a\":1}"), "pin", Secret.of("99")))),
            StandardCharsets.UTF_8));
    assertEquals("99", heard.get(3));
    assertEquals(
        "{\"not_ours\":1}",
        mapper
            .getClass()
            .getMethod("writeValueAsString", Object.class)
            .invoke(mapper, new Mine(1)));
    assertTrue(
        mapper
            .getClass()
            .getMethod("writeValueAsString", Object.class)
            .invoke(mapper, new HiveId(7))
            .toString()
            .contains("value"),
        "the project's mapper is left as it is");
  }

  public record Mine(int notOurs) {}

  public record Holding(Json anyThing, String name) {}

  @ParameterizedTest
  @MethodSource("snakes")
  void jacksonTakesJsonForWhatItIs(Object mapper) {
    JsonMapping mapping = JsonMapping.of(mapper);
    String written = "{\"any_thing\":{\"a\":[1.50,null]},\"name\":\"x\"}";
    Holding holding = new Holding(Json.parse("{\"a\":[1.50,null]}"), "x");
    assertEquals(written, mapping.write(holding));
    assertEquals(holding, mapping.read(mapping.parse(written), Holding.class));
    assertEquals(
        new Holding(Json.of(null), "x"),
        mapping.read(mapping.parse("{\"any_thing\":null,\"name\":\"x\"}"), Holding.class));
    assertEquals(
        "{\"7\":\"s\"}", mapping.write(Map.of(new HiveId(7), Secret.of("s"))), "keys stay keys");
    Object[] items = {Json.of(1), Secret.of("s"), new Mine(2)};
    assertEquals("[1,\"s\",{\"not_ours\":2}]", mapping.write(items));
    assertEquals(Json.of(7), mapping.read(mapping.parse("7"), Json.class));
  }

  @ParameterizedTest
  @MethodSource("snakes")
  void jacksonSaysWhatDoesNotFit(Object mapper) {
    JsonMapping mapping = JsonMapping.of(mapper);
    String message = assertThrows(
            TypeMismatch.class, () -> mapping.read(mapping.parse("{\"id\":\"x\"}"), Hive.class))
        .getMessage();
    assertTrue(
        message.contains(" cannot be read as ")
            && message.contains("the service's own mapper says: "),
        message);
    record Holds(Object shape) {}
    for (Object value : List.of(Shapes.anyText(), status(200), new Holds(Shapes.anyText()))) {
      String refused = assertThrows(IllegalArgumentException.class, () -> mapping.tree(value))
          .getMessage();
      assertTrue(refused.contains("is in it, where a value is wanted"), refused);
    }
  }

  @Test
  void aMapperThatOnlyTheProjectSeesIsKnownToo() throws Exception {
    URL[] jars = Stream.of(
            com.fasterxml.jackson.databind.ObjectMapper.class,
            com.fasterxml.jackson.core.JsonFactory.class,
            com.fasterxml.jackson.annotation.JsonProperty.class)
        .map(type -> type.getProtectionDomain().getCodeSource().getLocation())
        .toArray(URL[]::new);
    try (URLClassLoader project = new URLClassLoader(jars, OwnMapperTest.class.getClassLoader()) {
      @Override
      protected Class<?> loadClass(String name, boolean resolve) throws ClassNotFoundException {
        synchronized (getClassLoadingLock(name)) {
          Class<?> loaded = findLoadedClass(name);
          return loaded != null
              ? loaded
              : name.startsWith("com.fasterxml.")
                  ? findClass(name)
                  : super.loadClass(name, resolve);
        }
      }
    }) {
      Object mapper = project
          .loadClass("com.fasterxml.jackson.databind.ObjectMapper")
          .getConstructor()
          .newInstance();
      assertNotSame(com.fasterxml.jackson.databind.ObjectMapper.class, mapper.getClass());
      assertEquals("7", JsonMapping.of(mapper).write(new HiveId(7)));
    }
  }

  /** As other JSON libraries have it. */
  public static class Binding {
    public String toJson(Object value) {
      return "\"<" + value + ">\"";
    }

    public <T> T fromJson(String json, Class<T> type) {
      if (type == int.class) {
        throw new IllegalStateException("no numbers here");
      }
      return type.cast(json.replaceAll("[\"<>]", ""));
    }
  }

  @Test
  void othersAreKnownByWhatTheyCanAndRefusedIfTheyCannot() {
    JsonMapping mapping = JsonMapping.of(new Binding());
    assertEquals("\"<Mine[notOurs=1]>\"", mapping.write(new Mine(1)));
    assertEquals("Ada", mapping.read(mapping.parse("\"<Ada>\""), String.class));
    assertEquals(
        "\"<Ada>\" cannot be read as int: the service's own mapper says: no numbers here",
        assertThrows(TypeMismatch.class, () -> mapping.read(mapping.parse("\"<Ada>\""), int.class))
            .getMessage());
    assertEquals(
        "mapper(mapper): a java.lang.String is no mapper that is known here; write an org.oddlantern.json.JsonCodec that calls it",
        assertThrows(IllegalArgumentException.class, () -> JsonMapping.of("mapper"))
            .getMessage());
  }

  public record HoldsTree(com.fasterxml.jackson.databind.JsonNode any, int n) {}

  @Test
  void aTreeOfTheProjectsOwnIsTheValueThatItIs() throws Exception {
    JsonMapping mapping = JsonMapping.standard();
    String text = "{\"a\":[1,2.5,null],\"b\":\"\u00e4\\\"\"}";
    var tree = new com.fasterxml.jackson.databind.ObjectMapper()
        .enable(com.fasterxml.jackson.databind.DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
        .readTree(text);
    assertEquals(text, mapping.write(tree));
    assertEquals("[1,2.5,null]", mapping.write(tree.get("a")));
    assertEquals("{\"k\":\"\u00e4\\\"\"}", mapping.write(Map.of("k", tree.get("b"))));
    assertEquals("{\"any\":" + text + ",\"n\":1}", mapping.write(new HoldsTree(tree, 1)));
    assertEquals(
        "{\"any\":" + text + ",\"n\":1}",
        new String(mapping.writeBytes(new HoldsTree(tree, 1)), StandardCharsets.UTF_8));
    HoldsTree read = mapping.read(mapping.parse("{\"any\":{\"x\":[1]},\"n\":2}"), HoldsTree.class);
    assertEquals("{\"x\":[1]}", read.any().toString());
    assertEquals(
        text,
        mapping.write(tools.jackson.databind.json.JsonMapper.builder()
            .enable(tools.jackson.databind.DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .build()
            .readTree(text)));
  }
}
