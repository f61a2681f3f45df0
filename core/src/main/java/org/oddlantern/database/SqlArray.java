package org.oddlantern.database;

import java.sql.Array;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A list given for one question mark, as in {@code where id = any(?)}.
 *
 * @param type the SQL type of an item
 * @param items the items
 */
record SqlArray(String type, List<Object> items) {

  static SqlArray of(JsonNode list) {
    List<Object> items = new ArrayList<>();
    String type = "varchar";
    for (JsonNode item : list) {
      Object scalar = Arguments.scalar(item);
      if (scalar == null || !items.isEmpty() && !type(scalar).equals(type)) {
        throw new IllegalArgumentException(
            "a list for a question mark holds texts, or whole numbers, or numbers, or true and false; not "
                + Words.of(list));
      }
      type = type(scalar);
      items.add(scalar);
    }
    return new SqlArray(type, items);
  }

  Array in(Connection connection) throws SQLException {
    return connection.createArrayOf(type, items.toArray());
  }

  private static String type(Object scalar) {
    if (scalar instanceof Long) {
      return "bigint";
    }
    return scalar instanceof Number ? "numeric" : scalar instanceof Boolean ? "boolean" : "varchar";
  }
}
