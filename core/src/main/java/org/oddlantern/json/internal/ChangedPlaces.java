package org.oddlantern.json.internal;

import java.util.Collection;
import java.util.function.BiPredicate;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Fields of an object that hold what is wanted of each other. */
public final class ChangedPlaces {

  private final Collection<String> names;
  private final BiPredicate<String, JsonNode> fits;

  /**
   * Among some fields.
   *
   * @param names the fields of which something is wanted
   * @param fits whether a value is what is wanted of the field of a name
   */
  public ChangedPlaces(Collection<String> names, BiPredicate<String, JsonNode> fits) {
    this.names = names;
    this.fits = fits;
  }

  /**
   * A hint for a field, where it does not hold what is wanted of it.
   *
   * @param name the field
   * @param object what came
   * @return the hint; empty if it has not changed places with another
   */
  public String hint(String name, JsonNode object) {
    JsonNode there = object.path(name);
    if (!isTelling(there) || fits.test(name, there)) {
      return "";
    }
    return names.stream()
        .filter(other -> {
          JsonNode others = object.path(other);
          return isTelling(others)
              && !fits.test(other, others)
              && fits.test(name, others)
              && fits.test(other, there);
        })
        .findFirst()
        .map(other -> "'" + name + "' and '" + other + "' have changed places")
        .orElse("");
  }

  /** True and false change places too often to tell anything. */
  private static boolean isTelling(JsonNode value) {
    return value.isString() || value.isNumber();
  }
}
