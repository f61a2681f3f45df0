package org.oddlantern.http;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.Resources;

/**
 * A GraphQL query or mutation with its variables. A reply that carries {@code errors} fails its case,
 * whatever its status, unless a check or a reading at {@code $.errors} looked at them. Immutable and
 * thread-safe.
 *
 * <pre>{@code
 * Call.post("/graphql").graphQl(GraphQl.text("query One($id: Int!) { hive(id: $id) { label } }")
 *         .variable("id", id))
 * }</pre>
 *
 * @param text the document
 * @param operation the operation to run, of several in the document; empty for the only one
 * @param variables the variables by name
 */
public record GraphQl(String text, String operation, Map<String, Object> variables) {

  /**
   * A query from its text.
   *
   * @param text the document
   * @return the query
   */
  public static GraphQl text(String text) {
    Needed.of(text, "text(text): text");
    return new GraphQl(text, "", Map.of());
  }

  /**
   * A query from a file on the class path of the suites or in the folder of the settings file.
   *
   * @param name the name of the file
   * @return the query
   * @throws IllegalArgumentException if there is no such file
   */
  public static GraphQl file(String name) {
    return text(Resources.current().text(name));
  }

  /**
   * This query with a variable set.
   *
   * @param name its name, without the dollar sign
   * @param value its value, as a payload takes it
   * @return the query
   */
  public GraphQl variable(String name, @Nullable Object value) {
    Needed.of(name, "variable(name, value): name");
    Map<String, Object> more = new LinkedHashMap<>(variables);
    more.put(name, value);
    return new GraphQl(text, operation, more);
  }

  /**
   * This query with the operation named.
   *
   * @param name the name of one operation in the document
   * @return the query
   */
  public GraphQl operation(String name) {
    Needed.of(name, "operation(name): name");
    return new GraphQl(text, name, variables);
  }
}
