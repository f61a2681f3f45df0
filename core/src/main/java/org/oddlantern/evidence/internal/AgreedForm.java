package org.oddlantern.evidence.internal;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.json.internal.path.TreePlaces;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.xml.Xml;

/** In which form a body is agreed on, how two of them are compared, and how one is written. */
public enum AgreedForm {
  /** By its values, whatever the order of members. */
  JSON(".json", "JSON"),
  /** By its elements and attributes. */
  XML(".xml", "XML"),
  /** By its letters. */
  TEXT(".txt", "text"),
  /** By type, size and digest. */
  BYTES(".digest", "bytes");

  private static final List<String> TEXTS = List.of(
      "application/javascript", "application/x-www-form-urlencoded", "application/yaml", "text/");

  private final String ending;
  private final String words;

  AgreedForm(String ending, String words) {
    this.ending = ending;
    this.words = words;
  }

  /** The ending of its files. */
  public String ending() {
    return ending;
  }

  /** What it is, for a message. */
  public String words() {
    return words;
  }

  /** By the media type (RFC 6838), since that is what the other side relies on. */
  public static AgreedForm of(Evidence evidence) {
    String type = type(evidence);
    if (type.equals("application/json") || type.endsWith("+json")) {
      return JSON;
    }
    if (type.equals("application/xml") || type.equals("text/xml") || type.endsWith("+xml")) {
      return XML;
    }
    return type.isEmpty() || TEXTS.stream().anyMatch(type::startsWith) ? TEXT : BYTES;
  }

  /** By the ending of a file. */
  public static AgreedForm of(String file) {
    return Stream.of(values())
        .filter(one -> file.endsWith(one.ending))
        .findFirst()
        .orElse(TEXT);
  }

  /** The media type of a body, without parameters and in lower case. */
  public static String type(Evidence evidence) {
    String declared = evidence.headers().first("Content-Type").orElse("");
    return declared.replaceFirst(";.*", "").strip().toLowerCase(Locale.ROOT);
  }

  /** Bytes that are no text, in a line. */
  public static String digest(Evidence evidence) {
    byte[] bytes = evidence.bytes();
    try {
      byte[] digest = MessageDigest.getInstance("SHA-256").digest(bytes);
      return String.format(
          Locale.ROOT,
          "%s, %d bytes, SHA-256 %s",
          type(evidence),
          bytes.length,
          HexFormat.of().formatHex(digest));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every JDK has SHA-256, but for this one", e);
    }
  }

  /**
   * Everything in which a body differs from the agreed one.
   *
   * @param agreed what a file holds
   * @param came the body
   * @param open what leads to places that are not compared, in JSON
   * @return the findings; empty if it is the same
   * @throws org.oddlantern.json.NotJson if one of them is no JSON
   * @throws org.oddlantern.xml.NotXml if one of them is no XML
   */
  public List<Finding> differences(String agreed, String came, List<TreePath> open) {
    JsonMapping mapping = JsonMapping.standard();
    return switch (this) {
      case JSON ->
        NodeShape.of(TreePlaces.without(mapping.parse(agreed), open))
            .differences(Location.ROOT, TreePlaces.without(mapping.parse(came), open));
      case XML -> Xml.parse(came).differencesFrom(Xml.parse(agreed));
      case TEXT, BYTES -> inText(mapping.tree(lines(agreed)), mapping.tree(lines(came)));
    };
  }

  private static List<Finding> inText(JsonNode agreed, JsonNode came) {
    return NodeShape.of(agreed).differences(Location.ROOT, came).stream()
        .map(one -> one.at("body"))
        .toList();
  }

  /** As no editor and no version control system changes it: lines end alike, and so does the last. */
  private static String lines(String text) {
    String plain = text.replace("\r\n", "\n");
    return plain.endsWith("\n") ? plain.substring(0, plain.length() - 1) : plain;
  }

  /**
   * What a file is to hold: JSON in lines, its members in the order that they had there.
   *
   * @param came the body
   * @param before what the file holds; null if there is none
   * @param open what leads to places that keep the value they have there
   * @return the text of the file
   */
  public String written(String came, @Nullable String before, List<TreePath> open) {
    if (this != JSON) {
      return came.endsWith("\n") ? came : came + "\n";
    }
    JsonMapping mapping = JsonMapping.standard();
    JsonNode now = mapping.parse(came);
    if (before != null) {
      JsonNode old = mapping.parse(before);
      now = TreePlaces.inOrderOf(TreePlaces.keeping(now, open, old), old);
    }
    return mapping.writeIndented(now).replace("\r\n", "\n") + "\n";
  }
}
