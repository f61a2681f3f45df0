package org.oddlantern.evidence;

import java.util.List;
import org.oddlantern.json.Json;
import org.oddlantern.json.NotJson;
import org.oddlantern.xml.NotXml;
import org.oddlantern.xml.Xml;

/**
 * Something checks can be put to: a reply, what a database answered, an item of a list. Reading from
 * it never changes it.
 *
 * <pre>{@code
 * evidence.must(body(including(hive)), at("$.id", wholeNumber())).valueAt("$.id", HiveId.class);
 * }</pre>
 */
public interface Evidence {

  /**
   * What it is, in one line.
   *
   * @return {@code GET http://127.0.0.1:7411/api/hives, answered 200 OK}
   */
  String title();

  /**
   * What was received, in a few words, for messages about evidence that is not what it claims.
   *
   * @return status, content type, size and beginning of the body
   */
  String summary();

  /**
   * The headers.
   *
   * @return the headers; none if this kind of evidence has none
   */
  Headers headers();

  /**
   * The cookies it sets.
   *
   * @return the cookies in order; none if this kind of evidence has none
   */
  default List<Cookie> cookies() {
    return Cookie.in(headers());
  }

  /**
   * Tells that somebody looks at what is at a path; for checks.
   *
   * @param path where
   */
  default void lookedAt(String path) {}

  /**
   * The body as it was received.
   *
   * @return the bytes, which are not to be changed; empty if there is no body
   */
  byte[] bytes();

  /**
   * The body as text, by the character set it declares, else UTF-8.
   *
   * @return the text; empty if there is no body
   */
  String text();

  /**
   * The body as JSON.
   *
   * @return the value
   * @throws NotJson if the body is not JSON
   */
  Json json();

  /**
   * The body as an XML document.
   *
   * @return the document
   * @throws NotXml if the body is not XML
   */
  Xml xml();

  /**
   * Makes all these checks, then fails if one or more do not hold.
   *
   * @param first a check
   * @param more more checks
   * @return this evidence
   * @throws CheckFailed with every finding, if a check does not hold
   */
  Evidence must(Check first, Check... more);

  /**
   * Makes all these checks and records what does not hold as a warning.
   *
   * @param first a check
   * @param more more checks
   * @return this evidence
   */
  Evidence warnUnless(Check first, Check... more);

  /**
   * The one value at a path, read as a type.
   *
   * @param <T> the type wanted
   * @param path a path to one place (RFC 9535); or, for XML, an XPath that begins with {@code /}
   * @param type the type wanted
   * @return the value; never null
   * @throws CheckFailed if there is nothing at the path, JSON's null, or something of another type
   */
  <T> T valueAt(String path, Class<T> type);

  /**
   * The whole body, read as a type.
   *
   * @param <T> the type wanted
   * @param type the type wanted
   * @return the value; never null
   * @throws CheckFailed if the body is not JSON or does not fit the type
   */
  <T> T bodyAs(Class<T> type);

  /**
   * Every value a path leads to, read as a type.
   *
   * @param <T> the type wanted
   * @param path a path (RFC 9535)
   * @param type the type wanted
   * @return the values in order; empty if there are none
   * @throws CheckFailed if the body is not JSON or a value is null or of another type
   */
  <T> List<T> valuesAt(String path, Class<T> type);

  /**
   * The whole body, a list, each item read as a type.
   *
   * @param <T> the type wanted
   * @param type the type of an item
   * @return the items in order
   * @throws CheckFailed if the body is not a JSON list or an item does not fit the type
   */
  <T> List<T> bodyAsListOf(Class<T> type);
}
