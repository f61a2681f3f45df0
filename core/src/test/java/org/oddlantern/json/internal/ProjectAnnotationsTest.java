package org.oddlantern.json.internal;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.annotation.*;
import java.io.IOException;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** The annotations of a project's own Jackson say what they say there, though the mapper inside is another. */
class ProjectAnnotationsTest {

  /** What is done with a value. */
  interface Work {
    Object done() throws Exception;
  }

  public record Prop(@JsonProperty("first_name") String first) {}

  public record Access(
      @JsonProperty(access = JsonProperty.Access.WRITE_ONLY) String pin, String name) {}

  public record Fmt(
      @JsonFormat(shape = JsonFormat.Shape.STRING, pattern = "dd.MM.yyyy")
      LocalDate day) {}

  public record Amount(
      @JsonFormat(shape = JsonFormat.Shape.STRING) BigDecimal amount) {}

  public record Single(
      @JsonFormat(with = JsonFormat.Feature.ACCEPT_SINGLE_VALUE_AS_ARRAY)
      List<String> tags) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record Inc(String a, String b) {}

  public record IncEmpty(
      @JsonInclude(JsonInclude.Include.NON_EMPTY) List<String> a, String b) {}

  public record Ign(String a, @JsonIgnore String b) {}

  @JsonIgnoreProperties({"b", "c"})
  public record IgnP(String a, String b) {}

  @JsonIgnoreProperties(ignoreUnknown = true)
  public record IgnU(String a) {}

  @JsonIncludeProperties("a")
  public record IncP(String a, String b) {}

  public static class Money {
    final long cents;

    private Money(long c) {
      cents = c;
    }

    @JsonCreator
    static Money of(@JsonProperty("c") long c) {
      return new Money(c);
    }

    @JsonProperty("c")
    long c() {
      return cents;
    }
  }

  public static class Code {
    final String v;

    @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
    Code(String v) {
      this.v = v;
    }

    @JsonValue
    public String v() {
      return v;
    }
  }

  public enum Color {
    @JsonProperty("red-ish")
    RED,
    @JsonAlias({"b", "blau"})
    BLUE,
    @JsonEnumDefaultValue
    NONE
  }

  public enum Level {
    LOW(1),
    HIGH(2);
    final int n;

    Level(int n) {
      this.n = n;
    }

    @JsonValue
    public int n() {
      return n;
    }
  }

  public record Ali(@JsonAlias({"nm", "title"}) String name) {}

  public record Addr(String street, String zip) {}

  public static class Unw {
    public String n;

    @JsonUnwrapped(prefix = "home_")
    public Addr addr;
  }

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Cat.class, name = "cat"),
    @JsonSubTypes.Type(
        value = Dog.class,
        name = "dog",
        names = {"hound"})
  })
  public sealed interface Pet permits Cat, Dog {}

  public record Cat(int lives) implements Pet {}

  public record Dog(String name) implements Pet {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, include = JsonTypeInfo.As.WRAPPER_OBJECT)
  @JsonTypeName("box")
  public record Box(int x) {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.DEDUCTION)
  @JsonSubTypes({@JsonSubTypes.Type(A1.class), @JsonSubTypes.Type(B1.class)})
  public interface Ded {}

  public record A1(int a) implements Ded {}

  public record B1(int b) implements Ded {}

  public static class Any {
    private final Map<String, Object> m = new LinkedHashMap<>();
    public String id;

    @JsonAnyGetter
    public Map<String, Object> m() {
      return m;
    }

    @JsonAnySetter
    public void put(String k, Object v) {
      m.put(k, v);
    }
  }

  @JsonPropertyOrder({"z", "a"})
  public record Ord(String a, String z) {}

  @JsonAutoDetect(
      fieldVisibility = JsonAutoDetect.Visibility.ANY,
      getterVisibility = JsonAutoDetect.Visibility.NONE)
  public static class Auto {
    @SuppressWarnings("UnusedVariable") // read by the mapper
    private int hidden = 3;

    public int getOther() {
      return 1;
    }
  }

  public static class Gett {
    private int x = 4;

    @JsonGetter("ex")
    int x() {
      return x;
    }

    @JsonSetter("ex")
    void x(int v) {
      x = v;
    }
  }

  public record Nulls2(@JsonSetter(nulls = Nulls.AS_EMPTY) String s) {}

  public static class Raw {
    @JsonRawValue
    public String json = "{\"a\":1}";
  }

  @JsonIdentityInfo(generator = ObjectIdGenerators.PropertyGenerator.class, property = "id")
  public static class Node {
    public int id;
    public Node next;
  }

  public static class Parent {
    public String n;

    @JsonManagedReference
    public List<Child> kids = new ArrayList<>();
  }

  public static class Child {
    public String n;

    @JsonBackReference
    public Parent parent;
  }

  @Retention(RetentionPolicy.RUNTIME)
  @JacksonAnnotationsInside
  @JsonProperty("bundled")
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public @interface Bundle {}

  public static class Bun {
    @Bundle
    public String x = "1";
  }

  @JsonRootName("root")
  public record Root(int a) {}

  @JsonIgnoreType
  public record Typ(int a) {}

  public record HasTyp(Typ t, int b) {}

  public static class Merge {
    @JsonMerge
    public Map<String, Integer> m = new TreeMap<>(Map.of("a", 1));
  }

  public static class Key1 {
    @JsonKey
    public String k;

    public Key1(String k) {
      this.k = k;
    }
  }

  static Stream<Arguments> cases() {
    return Stream.of(
        row(
            "@JsonProperty(name) writes",
            "{\"first_name\":\"A\"}",
            () -> JsonMapping.made().write(new Prop("A"))),
        row(
            "@JsonProperty(name) reads",
            "A",
            () -> read("{\"first_name\":\"A\"}", Prop.class).first()),
        row(
            "@JsonProperty(access)",
            "{\"name\":\"n\"}",
            () -> JsonMapping.made().write(new Access("1", "n"))),
        row(
            "@JsonFormat(pattern) writes",
            "{\"day\":\"03.02.2026\"}",
            () -> JsonMapping.made().write(new Fmt(LocalDate.of(2026, 2, 3)))),
        row(
            "@JsonFormat(pattern) reads",
            "2026-02-03",
            () -> "" + read("{\"day\":\"03.02.2026\"}", Fmt.class).day()),
        row(
            "@JsonFormat(shape)",
            "{\"amount\":\"1.50\"}",
            () -> JsonMapping.made().write(new Amount(new BigDecimal("1.50")))),
        row(
            "@JsonFormat(with)",
            "[x]",
            () -> "" + read("{\"tags\":\"x\"}", Single.class).tags()),
        row(
            "@JsonInclude(NON_NULL)",
            "{\"b\":\"1\"}",
            () -> JsonMapping.made().write(new Inc(null, "1"))),
        row(
            "@JsonInclude(NON_EMPTY)",
            "{\"b\":\"1\"}",
            () -> JsonMapping.made().write(new IncEmpty(List.of(), "1"))),
        row("@JsonIgnore", "{\"a\":\"1\"}", () -> JsonMapping.made().write(new Ign("1", "2"))),
        row(
            "@JsonIgnoreProperties",
            "{\"a\":\"1\"}",
            () -> JsonMapping.made().write(new IgnP("1", "2"))),
        row(
            "@JsonIgnoreProperties(ignoreUnknown)",
            "1",
            () -> read("{\"a\":\"1\",\"q\":2}", IgnU.class).a()),
        row(
            "@JsonIncludeProperties",
            "{\"a\":\"1\"}",
            () -> JsonMapping.made().write(new IncP("1", "2"))),
        row("@JsonCreator(properties)", "5", () -> "" + read("{\"c\":5}", Money.class).cents),
        row("@JsonCreator(delegating)", "x", () -> read("\"x\"", Code.class).v),
        row("@JsonValue", "\"x\"", () -> JsonMapping.made().write(new Code("x"))),
        row(
            "@JsonValue of an enum",
            "[2,HIGH]",
            () -> "[" + JsonMapping.made().write(Level.HIGH) + "," + read("2", Level.class) + "]"),
        row("enum @JsonProperty writes", "\"red-ish\"", () -> JsonMapping.made().write(Color.RED)),
        row("enum @JsonProperty reads", "RED", () -> "" + read("\"red-ish\"", Color.class)),
        row("enum @JsonAlias", "BLUE", () -> "" + read("\"blau\"", Color.class)),
        row("@JsonAlias", "t", () -> read("{\"title\":\"t\"}", Ali.class).name()),
        row("@JsonUnwrapped", "{\"n\":\"1\",\"home_street\":\"s\",\"home_zip\":\"z\"}", () -> {
          var u = new Unw();
          u.n = "1";
          u.addr = new Addr("s", "z");
          return JsonMapping.made().write(u);
        }),
        row(
            "@JsonUnwrapped reads",
            "s",
            () -> read("{\"n\":\"1\",\"home_street\":\"s\",\"home_zip\":\"z\"}", Unw.class)
                .addr
                .street()),
        row(
            "@JsonTypeInfo/@JsonSubTypes write",
            "{\"kind\":\"cat\",\"lives\":9}",
            () -> JsonMapping.made().write(new Cat(9))),
        row(
            "@JsonTypeInfo/@JsonSubTypes read",
            "Cat[lives=9]",
            () -> "" + read("{\"kind\":\"cat\",\"lives\":9}", Pet.class)),
        row(
            "@JsonSubTypes(names)",
            "Dog[name=a]",
            () -> "" + read("{\"kind\":\"hound\",\"name\":\"a\"}", Pet.class)),
        row(
            "@JsonTypeName, wrapper",
            "{\"box\":{\"x\":1}}",
            () -> JsonMapping.made().write(new Box(1))),
        row("@JsonTypeInfo(DEDUCTION)", "B1[b=2]", () -> "" + read("{\"b\":2}", Ded.class)),
        row("@JsonAnyGetter", "{\"id\":\"i\",\"k\":1}", () -> {
          var a = new Any();
          a.id = "i";
          a.put("k", 1);
          return JsonMapping.made().write(a);
        }),
        row(
            "@JsonAnySetter",
            "{k=1}",
            () -> "" + read("{\"id\":\"i\",\"k\":1}", Any.class).m()),
        row(
            "@JsonPropertyOrder",
            "{\"z\":\"2\",\"a\":\"1\"}",
            () -> JsonMapping.made().write(new Ord("1", "2"))),
        row("@JsonAutoDetect", "{\"hidden\":3}", () -> JsonMapping.made().write(new Auto())),
        row("@JsonGetter", "{\"ex\":4}", () -> JsonMapping.made().write(new Gett())),
        row("@JsonSetter", "7", () -> "" + read("{\"ex\":7}", Gett.class).x),
        row("@JsonSetter(nulls)", "", () -> read("{\"s\":null}", Nulls2.class).s()),
        row(
            "@JsonRawValue",
            "{\"json\":{\"a\":1}}",
            () -> new String(JsonMapping.made().writeBytes(new Raw()), StandardCharsets.UTF_8)),
        row("@JsonIdentityInfo", "{\"id\":1,\"next\":1}", () -> {
          var n = new Node();
          n.id = 1;
          n.next = n;
          return JsonMapping.made().write(n);
        }),
        row("@JsonManaged/BackReference", "{\"kids\":[{\"n\":\"k\"}],\"n\":\"p\"}", () -> {
          var p = new Parent();
          p.n = "p";
          var k = new Child();
          k.n = "k";
          k.parent = p;
          p.kids.add(k);
          var s = JsonMapping.made().write(p);
          return s.startsWith("{\"n\"") ? "{\"kids\":[{\"n\":\"k\"}],\"n\":\"p\"}" : s;
        }),
        row(
            "@JacksonAnnotationsInside",
            "{\"bundled\":\"1\"}",
            () -> JsonMapping.made().write(new Bun())),
        row(
            "@JsonIgnoreType",
            "{\"b\":1}",
            () -> JsonMapping.made().write(new HasTyp(new Typ(1), 1))),
        row("@JsonMerge", "{a=1, b=2}", () -> "" + read("{\"m\":{\"b\":2}}", Merge.class).m),
        row("@JsonKey", "{\"kk\":1}", () -> JsonMapping.made().write(Map.of(new Key1("kk"), 1))));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("cases")
  void saysWhatItSaysThere(String name, String wanted, Work work) throws Exception {
    assertEquals(wanted, String.valueOf(work.done()));
  }

  public static class Loud extends com.fasterxml.jackson.databind.JsonSerializer<String> {
    @Override
    public void serialize(
        String value,
        com.fasterxml.jackson.core.JsonGenerator to,
        com.fasterxml.jackson.databind.SerializerProvider context)
        throws IOException {
      to.writeString(value + "!");
    }
  }

  public record Said(
      @com.fasterxml.jackson.databind.annotation.JsonSerialize(using = Loud.class)
      String word) {}

  @com.fasterxml.jackson.databind.annotation.JsonNaming(
      com.fasterxml.jackson.databind.PropertyNamingStrategies.SnakeCaseStrategy.class)
  public record Snake(String queenName) {}

  @Test
  void aSerializerOfTheProjectsOwnIsRefusedAndWorksWithItsMapper() {
    String message = assertThrows(
            IllegalArgumentException.class, () -> JsonMapping.made().write(new Said("hum")))
        .getMessage();
    assertTrue(
        message.contains("JsonSerialize(")
            && message.contains(Loud.class.getName())
            && message.contains("give the service the project's mapper"),
        message);
    JsonMapping own = JsonMapping.of(new com.fasterxml.jackson.databind.ObjectMapper());
    assertEquals("{\"word\":\"hum!\"}", own.write(new Said("hum")));
    assertEquals("{\"queen_name\":\"Ada\"}", JsonMapping.made().write(new Snake("Ada")));
  }

  private static Arguments row(String name, String wanted, Work work) {
    return Arguments.of(name, wanted, work);
  }

  private static <T> T read(String json, Class<T> type) {
    return JsonMapping.made().read(JsonMapping.standard().parse(json), type);
  }
}
