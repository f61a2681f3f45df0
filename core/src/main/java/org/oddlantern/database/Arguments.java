package org.oddlantern.database;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Types;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Masked;
import org.oddlantern.json.Secret;
import org.oddlantern.json.internal.Decimals;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * What is given for the question marks of a statement.
 *
 * @param values as the driver gets them
 * @param told as messages and reports show them
 * @param secrets those among them
 */
record Arguments(List<@Nullable Object> values, List<String> told, List<Secret> secrets) {

  static Arguments of(@Nullable Object... arguments) {
    List<@Nullable Object> values = new ArrayList<>();
    List<String> told = new ArrayList<>();
    List<Secret> secrets = new ArrayList<>();
    for (Object argument : arguments) {
      if (argument instanceof Secret secret) {
        secrets.add(secret);
        values.add(secret.reveal());
        told.add(Masked.TEXT);
      } else {
        values.add(value(argument));
        told.add(Words.of(JsonMapping.standard().tree(argument)));
      }
    }
    return new Arguments(values, told, secrets);
  }

  void into(PreparedStatement statement) throws SQLException {
    int wanted = statement.getParameterMetaData().getParameterCount();
    if (wanted != values.size()) {
      throw new DatabaseProblem(String.format(
          Locale.ROOT,
          "the statement has %d question marks, but %d arguments were given",
          wanted,
          values.size()));
    }
    for (int i = 0; i < values.size(); i++) {
      Object value = values.get(i);
      if (value == null) {
        statement.setNull(i + 1, Types.NULL);
      } else if (value instanceof SqlArray array) {
        statement.setArray(i + 1, array.in(statement.getConnection()));
      } else {
        statement.setObject(i + 1, value);
      }
    }
  }

  /** What drivers know goes as it is; the rest as it looks on the wire. */
  private static @Nullable Object value(@Nullable Object argument) {
    boolean known = argument == null
        || argument instanceof String
        || argument instanceof Number
        || argument instanceof Boolean
        || argument instanceof Temporal
        || argument instanceof UUID
        || argument instanceof byte[];
    if (known) {
      return argument;
    }
    JsonNode tree = JsonMapping.standard().tree(argument);
    if (tree.isArray()) {
      return SqlArray.of(tree);
    }
    Object scalar = scalar(tree);
    if (scalar != null) {
      return scalar;
    }
    throw new IllegalArgumentException(
        "a text, number, date, key, or a list of such, is wanted for a question mark, not "
            + Words.withKind(tree));
  }

  static @Nullable Object scalar(JsonNode tree) {
    if (tree.isNumber()) {
      return tree.isIntegralNumber() && tree.canConvertToLong()
          ? (Object) tree.longValue()
          : Decimals.of(tree);
    }
    if (tree.isString()) {
      return tree.stringValue();
    }
    return tree.isBoolean() ? tree.booleanValue() : null;
  }
}
