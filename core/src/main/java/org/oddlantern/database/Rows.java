package org.oddlantern.database;

import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Reads what a query gives, as a list of objects. */
final class Rows {

  static final int MOST = 10_000;

  private Rows() {}

  static ArrayNode of(PreparedStatement statement) throws SQLException {
    statement.setMaxRows(MOST + 1);
    try (ResultSet rows = statement.executeQuery()) {
      ResultSetMetaData columns = rows.getMetaData();
      boolean folded = statement.getConnection().getMetaData().storesUpperCaseIdentifiers();
      List<String> names = names(columns, folded);
      ArrayNode list = JsonNodeFactory.instance.arrayNode();
      while (rows.next()) {
        if (list.size() == MOST) {
          throw new DatabaseProblem(String.format(
              Locale.ROOT, "the query gives more than %,d rows; ask for fewer", MOST));
        }
        ObjectNode row = list.addObject();
        for (int i = 0; i < names.size(); i++) {
          row.set(names.get(i), Values.at(rows, columns, i + 1));
        }
      }
      return list;
    }
  }

  /** Names that the database has folded to upper case are given in lower case, as everywhere else. */
  private static List<String> names(ResultSetMetaData columns, boolean folded) throws SQLException {
    List<String> names = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    for (int i = 1; i <= columns.getColumnCount(); i++) {
      String label = columns.getColumnLabel(i);
      String name = folded && label.equals(label.toUpperCase(Locale.ROOT))
          ? label.toLowerCase(Locale.ROOT)
          : label;
      if (!seen.add(name)) {
        throw new DatabaseProblem(
            "two columns are named '" + name + "'; give one of them another name with 'as'");
      }
      names.add(name);
    }
    return names;
  }
}
