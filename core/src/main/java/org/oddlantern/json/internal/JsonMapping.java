package org.oddlantern.json.internal;

import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Json;
import org.oddlantern.json.JsonSource;
import org.oddlantern.json.Key;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.Secret;
import org.oddlantern.json.Shape;
import org.oddlantern.json.Worded;
import org.oddlantern.shaded.tools.jackson.core.JacksonException;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;
import org.oddlantern.shaded.tools.jackson.core.JsonParser;
import org.oddlantern.shaded.tools.jackson.core.StreamWriteFeature;
import org.oddlantern.shaded.tools.jackson.core.exc.StreamConstraintsException;
import org.oddlantern.shaded.tools.jackson.core.exc.StreamWriteException;
import org.oddlantern.shaded.tools.jackson.core.util.DefaultIndenter;
import org.oddlantern.shaded.tools.jackson.core.util.DefaultPrettyPrinter;
import org.oddlantern.shaded.tools.jackson.core.util.Separators;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.ObjectWriter;
import org.oddlantern.shaded.tools.jackson.databind.json.JsonMapper;
import org.oddlantern.shaded.tools.jackson.databind.node.BooleanNode;
import org.oddlantern.shaded.tools.jackson.databind.node.IntNode;
import org.oddlantern.shaded.tools.jackson.databind.node.LongNode;
import org.oddlantern.shaded.tools.jackson.databind.node.NullNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/**
 * How Java values become JSON and JSON becomes Java values: records and classes by their properties,
 * dates of {@code java.time} as ISO 8601 text, decimals plain and without loss, enums by name, {@link
 * Key} records as their one component, {@link Secret}s as their text. Reading is strict: a duplicate
 * member name, a number written as text, a text written as number or a fraction where a whole number is
 * wanted is refused.
 * Immutable and thread-safe.
 */
public final class JsonMapping {

  private static final JsonMapping STANDARD = made();

  private final JsonMapper mapper;
  private final Consumer<String> secrets;
  private final @Nullable OwnRules own;

  /** One that has met no type yet. */
  static JsonMapping made() {
    return new JsonMapping(StandardMapper.made(), secret -> {}, null);
  }

  private JsonMapping(JsonMapper mapper, Consumer<String> secrets, @Nullable OwnRules own) {
    this.mapper = mapper;
    this.secrets = secrets;
    this.own = own;
  }

  /**
   * The mapping used wherever no other is given.
   *
   * @return the mapping
   */
  public static JsonMapping standard() {
    return STANDARD;
  }

  /**
   * A mapping by a mapper of one's own, which keeps its own rules; secrets, {@link Key} records and
   * payloads travel as they do by the standard one.
   *
   * @param own a mapper of Jackson 2 or 3, which is copied, not changed; a {@code JsonCodec}; or whatever
   *     has a pair of methods to write a text and to read one
   * @return the mapping
   * @throws IllegalArgumentException if it is none of these
   */
  public static JsonMapping of(Object own) {
    Consumer<String> nobody = secret -> {};
    return new JsonMapping(STANDARD.mapper, nobody, new OwnRules(OwnMapper.codec(own), nobody));
  }

  /**
   * This mapping with somebody who hears of every secret that is written or read.
   *
   * @param listener hears the text of each {@link Secret}
   * @return the mapping
   */
  public JsonMapping hearing(Consumer<String> listener) {
    return new JsonMapping(mapper, listener, own == null ? null : own.hearing(listener));
  }

  /**
   * What is said of a shape or a check inside a value that is sent.
   *
   * @param asked the shape or the check
   * @return a sentence
   */
  public static String refusal(Worded asked) {
    String kind = asked instanceof Shape ? "shape" : "check";
    return "the " + kind + " '" + asked.words() + "' is in it, where a value is wanted";
  }

  void hear(String secret) {
    secrets.accept(secret);
  }

  /**
   * The tree of a value as it would travel.
   *
   * @param value a record, map, list, scalar, tree or {@link JsonSource}; null is JSON's null
   * @return the tree; not to be changed
   * @throws IllegalArgumentException if the value cannot be written, naming its type and the reason
   */
  public JsonNode tree(@Nullable Object value) {
    if (value == null) {
      return NullNode.getInstance();
    }
    if (value instanceof JsonNode node) {
      return Nesting.checked(node);
    }
    if (value instanceof Json json) {
      return Trees.of(json);
    }
    if (value instanceof JsonSource source) {
      return Trees.of(source.tree(inner -> Json.of(tree(inner))));
    }
    JsonNode scalar = scalar(value);
    if (scalar != null) {
      return scalar;
    }
    if (own != null) {
      return own.tree(value, this);
    }
    try {
      return writer().valueToTree(value);
    } catch (JacksonException e) {
      throw new IllegalArgumentException(
          "a value of type " + value.getClass().getName() + " cannot be written as JSON: "
              + e.getOriginalMessage(),
          e);
    }
  }

  /**
   * Parses one JSON document.
   *
   * @param text the whole document
   * @return its tree
   * @throws NotJson if it is not JSON, with line and column
   */
  public JsonNode parse(String text) {
    try {
      return present(mapper.readTree(text));
    } catch (JacksonException e) {
      throw notJson(e);
    }
  }

  /**
   * Parses one JSON document in UTF-8 (RFC 8259, section 8.1).
   *
   * @param bytes the whole document
   * @return its tree
   * @throws NotJson if it is not JSON, with line and column
   */
  public JsonNode parse(byte[] bytes) {
    String encoding = Utf8.problem(bytes);
    if (!encoding.isEmpty()) {
      throw badlyEncoded(encoding, Utf8.before(bytes));
    }
    try {
      return present(mapper.readTree(bytes));
    } catch (JacksonException e) {
      throw notJson(inCharacters(bytes, e));
    }
  }

  /** From text the same error has a place that counts characters. */
  private JacksonException inCharacters(byte[] bytes, JacksonException inBytes) {
    try {
      mapper.readTree(new String(bytes, StandardCharsets.UTF_8));
      return inBytes;
    } catch (JacksonException e) {
      return e;
    }
  }

  /**
   * Reads a document piece by piece.
   *
   * @param text the whole document
   * @return a parser before its first token
   */
  public JsonParser parser(String text) {
    return mapper.createParser(text);
  }

  /**
   * Reads a document in UTF-8 piece by piece.
   *
   * @param bytes the whole document
   * @return a parser before its first token
   */
  public JsonParser parser(byte[] bytes) {
    return mapper.createParser(bytes);
  }

  /**
   * Reads a value from a tree.
   *
   * @param <T> the type wanted
   * @param node the tree; not missing
   * @param type the type wanted
   * @return the value; null only where the tree is JSON's null
   * @throws TypeMismatch if the tree does not fit the type, naming the value and the type
   */
  public <T> T read(JsonNode node, Class<T> type) {
    if (own != null && !isTree(type)) {
      return own.read(node, type);
    }
    try {
      return mapper
          .readerFor(mapper.constructType(type))
          .withAttribute(SecretModule.MAPPING, this)
          .withAttribute(UntypedScalar.ATTRIBUTE, UntypedText.isIn(node) ? true : null)
          .readValue(node);
    } catch (JacksonException e) {
      throw Misfit.of(node, type, e);
    }
  }

  /**
   * The tree of a value that is wanted, in which shapes may stand.
   *
   * @param value as for {@link #tree}
   * @return the tree; not to be changed
   */
  JsonNode wanted(@Nullable Object value) {
    return own == null || value == null ? tree(value) : own.wanted(value, this);
  }

  /**
   * Whether it is the one used wherever no other is given.
   *
   * @return false by a mapper of one's own
   */
  public boolean isStandard() {
    return own == null;
  }

  private static boolean isTree(Class<?> type) {
    return JsonNode.class.isAssignableFrom(type) || type == Json.class;
  }

  /**
   * Writes a value as compact JSON text.
   *
   * @param value anything {@link #tree} takes
   * @return the text
   */
  public String write(@Nullable Object value) {
    JsonNode tree = tree(value);
    return written(mapper.writer(), writer -> writer.writeValueAsString(tree));
  }

  /**
   * Writes a tree as JSON text for people: a line for each field, indented by two blanks.
   *
   * @param tree the tree
   * @return the text, without a line end after it
   */
  public String writeIndented(JsonNode tree) {
    Separators spaced = Separators.createDefaultInstance()
        .withObjectNameValueSpacing(Separators.Spacing.AFTER)
        .withArrayElementSpacing(Separators.Spacing.AFTER)
        .withObjectEmptySeparator("")
        .withArrayEmptySeparator("");
    DefaultIndenter indenter = new DefaultIndenter("  ", "\n");
    ObjectWriter pretty = mapper
        .writer()
        .with(new DefaultPrettyPrinter(spaced)
            .withObjectIndenter(indenter)
            .withArrayIndenter(new DefaultPrettyPrinter.NopIndenter()));
    return written(pretty, writer -> writer.writeValueAsString(tree));
  }

  /**
   * Writes a value as compact JSON in UTF-8.
   *
   * @param value anything {@link #tree} takes
   * @return the bytes
   */
  public byte[] writeBytes(@Nullable Object value) {
    if (own != null && value != null) {
      return OwnRules.hasOurs(value)
          ? STANDARD.writeBytes(tree(value))
          : own.text(value).getBytes(StandardCharsets.UTF_8);
    }
    Object whole = value instanceof JsonSource || value instanceof Json ? tree(value) : value;
    return written(writer(), writer -> writer.writeValueAsBytes(whole));
  }

  /**
   * A generator that writes UTF-8 piece by piece and leaves the stream open.
   *
   * @param stream where to write
   * @return the generator
   */
  public JsonGenerator generator(OutputStream stream) {
    return mapper.writer().without(StreamWriteFeature.AUTO_CLOSE_TARGET).createGenerator(stream);
  }

  /** A number of more zeros than the mapper writes out keeps its exponent, and the others theirs with it. */
  private static <T> T written(ObjectWriter writer, Function<ObjectWriter, T> how) {
    try {
      return how.apply(writer);
    } catch (StreamWriteException e) {
      return how.apply(writer.without(StreamWriteFeature.WRITE_BIGDECIMAL_AS_PLAIN));
    }
  }

  private ObjectWriter writer() {
    return mapper.writer().withAttribute(SecretModule.MAPPING, this);
  }

  /** The commonest values without the machinery. */
  private static @Nullable JsonNode scalar(Object value) {
    if (value instanceof String text) {
      return StringNode.valueOf(text);
    }
    if (value instanceof Integer number) {
      return IntNode.valueOf(number);
    }
    if (value instanceof Long number) {
      return LongNode.valueOf(number);
    }
    return value instanceof Boolean truth ? BooleanNode.valueOf(truth) : null;
  }

  private static JsonNode present(JsonNode node) {
    if (node.isMissingNode()) {
      throw new NotJson("there is nothing in it", 1, 1);
    }
    return node;
  }

  private static NotJson notJson(JacksonException e) {
    String reason = e instanceof StreamConstraintsException
        ? "it goes past a limit of this library: " + e.getOriginalMessage()
        : JsonFault.words(e.getOriginalMessage());
    var place = e.getLocation();
    return new NotJson(
        reason, place == null ? 0 : place.getLineNr(), place == null ? 0 : place.getColumnNr());
  }

  /** Bytes that are no UTF-8, after a text that still was. */
  private static NotJson badlyEncoded(String reason, String before) {
    int line = (int) before.chars().filter(c -> c == '\n').count() + 1;
    return new NotJson(reason, line, before.length() - before.lastIndexOf('\n'), true);
  }
}
