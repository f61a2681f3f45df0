package org.oddlantern.database;

import java.io.IOException;
import java.io.Reader;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.sql.Array;
import java.sql.Blob;
import java.sql.Clob;
import java.sql.Date;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.SQLXML;
import java.sql.Time;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.Base64;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.NullNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/**
 * Turns what a driver gives into JSON as an API would write it: numbers without loss, dates and times as
 * ISO 8601 text, binary as Base64, arrays as lists, JSON columns as what they hold.
 */
final class Values {

  private static final int LONGEST_TEXT = 1 << 20;

  private Values() {}

  static JsonNode at(ResultSet rows, ResultSetMetaData columns, int column) throws SQLException {
    String type = String.valueOf(columns.getColumnTypeName(column)).toLowerCase(Locale.ROOT);
    Object value = switch (columns.getColumnType(column)) {
      case Types.DATE -> rows.getObject(column, LocalDate.class);
      case Types.TIME ->
        type.equals("timetz") ? rows.getString(column) : rows.getObject(column, LocalTime.class);
      case Types.TIMESTAMP ->
        type.equals("timestamptz")
            ? rows.getObject(column, OffsetDateTime.class)
            : rows.getObject(column, LocalDateTime.class);
      case Types.TIMESTAMP_WITH_TIMEZONE -> rows.getObject(column, OffsetDateTime.class);
      default -> rows.getObject(column);
    };
    if (value != null && (type.equals("json") || type.equals("jsonb"))) {
      return JsonMapping.standard()
          .parse(value instanceof byte[] bytes ? bytes : utf8(value.toString()));
    }
    return tree(value);
  }

  private static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  static JsonNode tree(@Nullable Object value) throws SQLException {
    if (value == null) {
      return NullNode.getInstance();
    }
    if (value instanceof Number number) {
      return number(number);
    }
    if (value instanceof byte[] bytes) {
      return StringNode.valueOf(Base64.getEncoder().encodeToString(bytes));
    }
    if (value instanceof Blob blob) {
      return tree(blob.getBytes(1, (int) Math.min(LONGEST_TEXT, blob.length())));
    }
    if (value instanceof Clob clob) {
      return StringNode.valueOf(text(clob));
    }
    if (value instanceof SQLXML xml) {
      return StringNode.valueOf(xml.getString());
    }
    if (value instanceof Array array) {
      return list(array);
    }
    return moment(value);
  }

  /** The old classes of JDBC that java.time has replaced, and everything else. */
  private static JsonNode moment(Object value) {
    JsonMapping mapping = JsonMapping.standard();
    if (value instanceof Date date) {
      return mapping.tree(date.toLocalDate());
    }
    if (value instanceof Time time) {
      return mapping.tree(time.toLocalTime());
    }
    if (value instanceof Timestamp timestamp) {
      return mapping.tree(timestamp.toLocalDateTime());
    }
    boolean known = value instanceof String
        || value instanceof Boolean
        || value.getClass().getName().startsWith("java.");
    return known ? mapping.tree(value) : StringNode.valueOf(value.toString());
  }

  private static JsonNode number(Number number) {
    if (number instanceof Double || number instanceof Float) {
      double amount = number.doubleValue();
      return Double.isNaN(amount) || Double.isInfinite(amount)
          ? StringNode.valueOf(number.toString())
          : JsonMapping.standard().tree(number);
    }
    return number instanceof BigDecimal || number instanceof BigInteger
        ? JsonMapping.standard().tree(number)
        : JsonMapping.standard().tree(number.longValue());
  }

  private static JsonNode list(Array array) throws SQLException {
    ArrayNode list = JsonNodeFactory.instance.arrayNode();
    if (array.getArray() instanceof Object[] items) {
      for (Object item : items) {
        list.add(tree(item));
      }
    }
    return list;
  }

  private static String text(Clob clob) throws SQLException {
    try (Reader reader = clob.getCharacterStream()) {
      char[] buffer = new char[(int) Math.min(LONGEST_TEXT, clob.length())];
      int length = 0;
      for (int read = 0; read >= 0 && length < buffer.length; length += Math.max(0, read)) {
        read = reader.read(buffer, length, buffer.length - length);
      }
      return new String(buffer, 0, length);
    } catch (IOException e) {
      throw new SQLException("a long text could not be read: " + e.getMessage(), e);
    }
  }
}
