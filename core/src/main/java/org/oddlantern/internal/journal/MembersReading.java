package org.oddlantern.internal.journal;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.core.JsonParser;
import org.oddlantern.shaded.tools.jackson.core.JsonToken;

/** Reads a line of a journal token by token, without a tree. For one line. */
final class MembersReading {

  /** A journal is not nearly as deep. */
  private static final int DEEPEST = 100;

  private final JsonParser parser;
  private int depth;

  private MembersReading(JsonParser parser) {
    this.parser = parser;
  }

  /**
   * The members of the object in a line.
   *
   * @throws org.oddlantern.shaded.tools.jackson.core.JacksonException if it is no JSON
   * @throws Members.Misread if it is no object
   */
  static Members of(byte[] line) {
    try (JsonParser parser = JsonMapping.standard().parser(line)) {
      if (parser.nextToken() != JsonToken.START_OBJECT) {
        throw new Members.Misread("an object is wanted");
      }
      Members members = new MembersReading(parser).object();
      if (parser.nextToken() != null) {
        throw new Members.Misread("something follows its object");
      }
      return members;
    }
  }

  private Members object() {
    Members members = new Members();
    while (parser.nextToken() == JsonToken.PROPERTY_NAME) {
      String name = parser.currentName();
      parser.nextToken();
      members.add(name, value());
    }
    return members;
  }

  private @Nullable Object value() {
    return switch (parser.currentToken()) {
      case VALUE_STRING -> parser.getString();
      case VALUE_NUMBER_INT -> whole();
      case VALUE_NUMBER_FLOAT -> parser.getDecimalValue();
      case VALUE_TRUE -> true;
      case VALUE_FALSE -> false;
      case START_OBJECT -> {
        deeper();
        Members members = object();
        depth--;
        yield members;
      }
      case START_ARRAY -> {
        deeper();
        List<@Nullable Object> list = list();
        depth--;
        yield list;
      }
      default -> null;
    };
  }

  /** One that is too large for a long is refused by whoever asks for it. */
  private Number whole() {
    return parser.getNumberType() == JsonParser.NumberType.BIG_INTEGER
        ? parser.getBigIntegerValue()
        : (Number) parser.getLongValue();
  }

  private List<@Nullable Object> list() {
    List<@Nullable Object> list = new ArrayList<>();
    while (parser.nextToken() != JsonToken.END_ARRAY) {
      list.add(value());
    }
    return list;
  }

  private void deeper() {
    if (++depth > DEEPEST) {
      throw new Members.Misread("it is nested too deep");
    }
  }
}
