package org.oddlantern.check;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Shape;
import org.oddlantern.json.Worded;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.xml.Xml;

/**
 * The questions a suite puts to evidence; one import brings them and the shapes:
 *
 * <pre>{@code
 * import static org.oddlantern.check.Checks.*;
 *
 * beeyard.send(Call.get("/hives/{id}", id))
 *         .must(status(200), contentType("application/json"), at("$.label", "Foxglove"));
 * }</pre>
 *
 * <p>Checks are immutable and safe to use from several threads.
 */
public final class Checks extends Steps {

  private Checks() {}

  /**
   * The status is that one.
   *
   * @param code the status code wanted
   * @return the check
   */
  public static Check status(int code) {
    return new StatusCheck("status(" + code + ")", String.valueOf(code), shape(code));
  }

  /**
   * The status is of that class (RFC 9110, section 15).
   *
   * @param family {@code "1xx"} to {@code "5xx"}
   * @return the check
   * @throws IllegalArgumentException if it is no such class
   */
  public static Check status(String family) {
    Needed.of(family, "status(family): family");
    if (!family.matches("[1-5]xx")) {
      throw new IllegalArgumentException(
          "status(\"" + family + "\"): wanted a number, or one of 1xx, 2xx, 3xx, 4xx, 5xx");
    }
    int hundred = family.charAt(0) - '0';
    return new StatusCheck(
        "status(\"" + family + "\")",
        family,
        new KindShape(family, node -> node.asInt() / 100 == hundred));
  }

  /**
   * The status has that shape.
   *
   * @param shape a shape of numbers, like {@code between(200, 299)} or {@code oneOf(200, 204)}
   * @return the check
   */
  public static Check status(Shape shape) {
    Needed.of(shape, "status(shape): shape");
    return new StatusCheck("status(" + shape.words() + ")", shape.words(), shape(shape));
  }

  /**
   * There is such a header.
   *
   * @param name the name, in any case
   * @return the check
   */
  public static Check header(String name) {
    Needed.of(name, "header(name): name");
    return new HeaderCheck("header(\"" + name + "\")", name, shape(anyText()));
  }

  /**
   * A header has that value, or one of its values has if it is repeated.
   *
   * @param name the name, in any case
   * @param value a text, or a shape; {@link #missing()} wants no such header
   * @return the check
   */
  public static Check header(String name, Object value) {
    Needed.of(name, "header(name, value): name");
    Needed.of(value, "header(name, value): value");
    return new HeaderCheck(words("header", name, value), name, shape(value));
  }

  /**
   * The reply sets a cookie of that name.
   *
   * @param name the name
   * @return the check
   */
  public static Check cookie(String name) {
    Needed.of(name, "cookie(name): name");
    return new CookieCheck("cookie(\"" + name + "\")", name, shape(anyText()));
  }

  /**
   * The reply sets a cookie of that name with that value.
   *
   * @param name the name
   * @param value a text, or a shape; {@link #missing()} wants no such cookie
   * @return the check
   */
  public static Check cookie(String name, Object value) {
    Needed.of(name, "cookie(name, value): name");
    Needed.of(value, "cookie(name, value): value");
    return new CookieCheck(words("cookie", name, value), name, shape(value));
  }

  /**
   * There is no body at all: zero bytes.
   *
   * @return the check
   */
  public static Check noBody() {
    return new NoBodyCheck();
  }

  /**
   * The body has that content type; parameters such as the character set do not count unless given.
   *
   * @param type a media type, like {@code application/json}
   * @return the check
   */
  public static Check contentType(String type) {
    Needed.of(type, "contentType(type): type");
    return new ContentTypeCheck(type);
  }

  /**
   * The whole JSON body has that shape.
   *
   * @param shape a value, or a shape
   * @return the check
   */
  public static Check body(@Nullable Object shape) {
    return new PathCheck("body(" + argument(shape) + ")", TreePath.of("$"), shape(shape));
  }

  /**
   * What a path of the JSON body leads to has that shape. A path to one place gives the value there; a
   * path to many gives the list of what it found, even of one or none.
   *
   * @param path a path (RFC 9535)
   * @param shape a value, or a shape
   * @return the check
   * @throws IllegalArgumentException if the path cannot be read
   */
  public static Check at(String path, @Nullable Object shape) {
    Needed.of(path, "at(path, shape): path");
    return new PathCheck(words("at", path, shape), TreePath.of(path), shape(shape));
  }

  /**
   * Every item at a path has that shape: the items of the list there, or, where the path leads to many
   * places, what it finds. Every bad item is reported, by its index and by what it is known by. Over no item
   * at all it does not hold.
   *
   * @param path a path (RFC 9535)
   * @param item a value, a shape, or a check that looks at the item as evidence of its own
   * @return the check
   * @throws IllegalArgumentException if the path cannot be read
   */
  public static EachCheck atEach(String path, @Nullable Object item) {
    Needed.of(path, "atEach(path, item): path");
    return new EachPathCheck(
        words("atEach", path, item), TreePath.of(path), new EachItemShape(itemShape(item)));
  }

  /**
   * The body, as text by the character set it declares, has that shape: for plain text, CSV, and whatever
   * is neither JSON nor XML. The first difference is shown.
   *
   * @param shape a text, or a shape
   * @return the check
   */
  public static Check text(Object shape) {
    Needed.of(shape, "text(shape): shape");
    return new TextCheck("text(" + argument(shape) + ")", shape(shape));
  }

  /**
   * The body is these bytes. The first difference is shown.
   *
   * @param wanted the bytes wanted
   * @return the check
   */
  public static Check bytes(byte[] wanted) {
    Needed.of(wanted, "bytes(wanted): wanted");
    return new BytesCheck(wanted.clone());
  }

  /**
   * The call and its reply are as the description of the service says: the operation, what was sent if it
   * was accepted, the status, headers and body that was received (OpenAPI 3.0 and 3.1). An error status that is
   * described holds, so this does not look at the status instead of {@link #status}.
   *
   * <pre>{@code
   * beeyard.always(asDescribed())
   * }</pre>
   *
   * @return the check
   */
  public static Check asDescribed() {
    return new DescribedCheck();
  }

  /**
   * The body is the one that was agreed on for this case.
   *
   * @return the check, for which places may be named where the body may differ
   */
  public static Agreed asAgreed() {
    return new AgreedCheck("", List.of());
  }

  /**
   * The body is the one that was agreed on for this case under that name.
   *
   * @param name what sets it apart from other replies of the case, like {@code after the change}
   * @return the check, for which places may be named where the body may differ
   */
  public static Agreed asAgreed(String name) {
    Needed.of(name, "asAgreed(name): name");
    if (name.isBlank()) {
      throw new IllegalArgumentException("asAgreed(name): the name is blank");
    }
    return new AgreedCheck(name, List.of());
  }

  /**
   * The reply was received within that time, from sending until its last byte.
   *
   * @param limit the longest it may take
   * @return the check
   */
  public static Check answeredWithin(Duration limit) {
    Needed.of(limit, "answeredWithin(limit): limit");
    return new TimeCheck(limit);
  }

  /**
   * What an XPath 1.0 expression gives for an XML body has that shape: the text of one node, or the
   * list of texts of several. A text that reads as a number also meets the shapes of numbers. Prefixes
   * that the root element declares are known.
   *
   * @param expression the expression
   * @param value a value, or a shape
   * @return the check
   */
  public static Check xpath(String expression, @Nullable Object value) {
    Needed.of(expression, "xpath(expression, value): expression");
    return new XPathCheck(words("xpath", expression, value), expression, Map.of(), shape(value));
  }

  /**
   * The same, with namespaces for prefixes of the expression.
   *
   * @param expression the expression
   * @param namespaces namespaces by prefix
   * @param value a value, or a shape
   * @return the check
   */
  public static Check xpath(
      String expression, Map<String, String> namespaces, @Nullable Object value) {
    Needed.of(expression, "xpath(expression, namespaces, value): expression");
    Needed.of(namespaces, "xpath(expression, namespaces, value): namespaces");
    return new XPathCheck(
        words("xpath", expression, value), expression, Map.copyOf(namespaces), shape(value));
  }

  /**
   * The whole XML body is that document: elements and the texts among them in order, attributes in any;
   * comments, prefixes, and space alone between elements do not count, unless {@code
   * xml:space} says so. Space at the ends of a text counts.
   *
   * @param document the document wanted
   * @return the check
   */
  public static Check sameXml(Xml document) {
    Needed.of(document, "sameXml(document): document");
    return new SameXmlCheck(document);
  }

  /**
   * The same, from text.
   *
   * @param document the document wanted
   * @return the check
   * @throws org.oddlantern.xml.NotXml if the text is not XML
   */
  public static Check sameXml(String document) {
    Needed.of(document, "sameXml(document): document");
    return new SameXmlCheck(Xml.parse(document));
  }

  /**
   * A condition of one's own holds for the evidence. It may also be asked of each item: {@code
   * atEach("$.items", holds("...", item -> ...))}.
   *
   * @param words the condition in words, as reports show it
   * @param condition the condition
   * @return the check
   */
  public static Check holds(String words, Predicate<Evidence> condition) {
    Needed.of(words, "holds(words, condition): words");
    Needed.of(condition, "holds(words, condition): condition");
    return new Holds(named(words), condition);
  }

  /**
   * A condition of one's own, already decided.
   *
   * @param words the condition in words, as reports show it
   * @param truth whether it holds
   * @return the check
   */
  public static Check holds(String words, boolean truth) {
    Needed.of(words, "holds(words, truth): words");
    return new Holds(named(words), evidence -> truth);
  }

  /**
   * A function finds no problems with a value, read as a type. It is a check of a whole body, and a
   * shape for any value inside: {@code atEach("$.items", judgedBy("season rules", Inspection.class,
   * SeasonRules::problems))}.
   *
   * @param <T> what the value is read as
   * @param words what is judged by, as reports show it
   * @param type what the value is read as
   * @param judge gives the problems in words; an empty list if there are none
   * @return the check, which is a shape too
   */
  public static <T> Judged<T> judgedBy(
      String words, Class<T> type, Function<T, ? extends List<String>> judge) {
    Needed.of(words, "judgedBy(words, type, judge): words");
    Needed.of(type, "judgedBy(words, type, judge): type");
    Needed.of(judge, "judgedBy(words, type, judge): judge");
    return new JudgedValue<>(named(words), type, judge);
  }

  private static String named(String words) {
    if (words.isBlank()) {
      throw new IllegalArgumentException("say in words what must hold; reports show it");
    }
    return words;
  }

  /** Joined by hand: every check is put into words, and a formatter is ten times as slow. */
  private static String words(String check, String place, @Nullable Object shape) {
    return check + "(\"" + place + "\", " + argument(shape) + ")";
  }

  /** What is made of values is cut already; a shape of many shapes may still be long. */
  private static String shortened(String words) {
    return words.length() > 2 * Words.LIMIT ? Words.cut(words) : words;
  }

  private static String argument(@Nullable Object shape) {
    if (shape instanceof Number || shape instanceof Boolean) {
      return shape.toString();
    }
    if (shape instanceof String text) {
      return Words.quoted(text);
    }
    return shortened((shape instanceof Worded known ? known : exactly(shape)).words());
  }
}
