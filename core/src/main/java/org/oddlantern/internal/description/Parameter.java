package org.oddlantern.internal.description;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * A parameter of an operation, or a header of a reply.
 *
 * @param name its name
 * @param in where it travels
 * @param required whether it must be there
 * @param deprecated whether it should not be used any more
 * @param writing how it is written
 * @param schema what it must fit; null if nothing is said
 * @param json whether it is written as JSON, as {@code content} says
 * @param pointer where it stands
 */
public record Parameter(
    String name,
    In in,
    boolean required,
    boolean deprecated,
    Writing writing,
    @Nullable DescribedSchema schema,
    boolean json,
    String pointer) {

  /** Where a parameter travels. */
  public enum In {
    /** In the path. */
    PATH(Writing.Style.SIMPLE),
    /** In the query. */
    QUERY(Writing.Style.FORM),
    /** In a header. */
    HEADER(Writing.Style.SIMPLE),
    /** In a cookie. */
    COOKIE(Writing.Style.FORM);

    private final Writing.Style usual;

    In(Writing.Style usual) {
      this.usual = usual;
    }

    /** How it is written where nobody says. */
    Writing.Style usual() {
      return usual;
    }

    /** As descriptions and people write it. */
    public String word() {
      return name().toLowerCase(Locale.ROOT);
    }
  }
}
