package org.oddlantern.json.internal;

import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.core.JacksonException;
import org.oddlantern.shaded.tools.jackson.core.exc.InputCoercionException;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.exc.InvalidDefinitionException;
import org.oddlantern.shaded.tools.jackson.databind.exc.MismatchedInputException;
import org.oddlantern.shaded.tools.jackson.databind.exc.UnrecognizedPropertyException;
import org.oddlantern.shaded.tools.jackson.databind.exc.ValueInstantiationException;

/** Tells a failure of the mapper in the words of this library. */
final class Misfit {

  /** The mapper refuses to bend a value to a type, as it was told to. */
  private static final Pattern BENT =
      Pattern.compile("^Cannot coerce (\\S+) value .*to `([^`]+)`(?: value)?", Pattern.DOTALL);

  private static final Pattern NEEDED =
      Pattern.compile("Missing required creator property '([^']*)'");

  private static final Map<String, String> KINDS = Map.of(
      "String", "a text",
      "Integer", "a number",
      "Floating-point", "a number with a fraction",
      "Boolean", "true or false");

  /** What the mapper says in its own words. */
  private static final Pattern THEIRS = Pattern.compile(
      "^(Cannot |Numeric value|Unrecognized |Missing |Unexpected |Null value|Problem |Failed |Invalid )");

  private Misfit() {}

  static TypeMismatch of(JsonNode node, Type type, JacksonException e) {
    List<Object> steps = new ArrayList<>();
    Location where = Location.ROOT;
    for (JacksonException.Reference step : e.getPath()) {
      if (step.getPropertyName() != null) {
        steps.add(step.getPropertyName());
        where = where.child(step.getPropertyName());
      } else if (step.getIndex() >= 0) {
        steps.add(step.getIndex());
        where = where.child(step.getIndex());
      }
    }
    Matcher needed = NEEDED.matcher(String.valueOf(e.getOriginalMessage()));
    if (needed.find()) {
      return missing(node, type, steps, where, needed.group(1));
    }
    String reason = reason(e, at(node, steps));
    String message = "%s cannot be read as %s: %s%s"
        .formatted(
            Words.of(node),
            Words.of(type),
            steps.isEmpty() ? "" : "at " + where.toString().replaceFirst("^\\$\\.?", "") + ": ",
            reason);
    return new TypeMismatch(message, steps, wanted(type, steps, e), reason);
  }

  /** What a project's own mapper says, in its words. */
  static TypeMismatch ofOwn(JsonNode node, Type type, Exception e) {
    String reason = "the service's own mapper says: "
        + String.valueOf(e.getMessage()).lines().findFirst().orElse("");
    return new TypeMismatch(
        "%s cannot be read as %s: %s".formatted(Words.of(node), Words.of(type), reason),
        List.of(),
        "a value that can be read as " + Words.of(type),
        reason);
  }

  /** A component that cannot be without a value, and has none. */
  private static TypeMismatch missing(
      JsonNode node, Type type, List<Object> steps, Location where, String name) {
    String reason =
        "the field is missing, and a primitive would read as 0 or false; let the component be of a type like Integer if it may be missing";
    return new TypeMismatch(
        "%s cannot be read as %s: at %s: %s"
            .formatted(
                Words.of(node),
                Words.of(type),
                where.toString().replaceFirst("^\\$\\.?", ""),
                reason),
        steps,
        "a value for the primitive '" + name + "' of " + Words.of(type),
        reason);
  }

  private static JsonNode at(JsonNode node, List<Object> steps) {
    JsonNode value = node;
    for (Object step : steps) {
      value = step instanceof Integer index ? value.path(index) : value.path(String.valueOf(step));
    }
    return value;
  }

  private static String reason(JacksonException e, JsonNode value) {
    String first = String.valueOf(e.getOriginalMessage()).lines().findFirst().orElse("");
    if (e instanceof ValueInstantiationException && e.getCause() != null) {
      return "its constructor refuses it: " + e.getCause().getMessage();
    }
    Class<?> type = type(e);
    boolean letter = type != null && (type.equals(char.class) || type.equals(Character.class));
    boolean bent = BENT.matcher(first).find() && !letter;
    if (type == null || bent || !THEIRS.matcher(first).find()) {
      return reason(first);
    }
    return e instanceof InvalidDefinitionException
        ? "nothing says how to make a " + Words.of(type)
            + "; read a type that can be made, or a tree"
        : MisfitWords.of(value, type);
  }

  /** The type at the place where it went wrong. */
  private static @Nullable Class<?> type(JacksonException e) {
    if (e instanceof InvalidDefinitionException undefined && undefined.getType() != null) {
      return undefined.getType().getRawClass();
    }
    if (e instanceof MismatchedInputException mismatch) {
      return mismatch.getTargetType();
    }
    return e instanceof InputCoercionException narrow ? narrow.getTargetType() : null;
  }

  private static String reason(String first) {
    Matcher bent = BENT.matcher(first);
    if (!bent.find()) {
      return first.replaceAll(" \\(but (might|could).*", "");
    }
    String kind = KINDS.getOrDefault(bent.group(1), "this");
    String type = bent.group(2).replaceAll("^.*[.$]", "");
    return "%s is not taken for %s".formatted(kind, type)
        + (kind.equals("a text") && !type.equals("boolean") ? "; the value is in quotes" : "");
  }

  private static String wanted(Type type, List<Object> steps, JacksonException e) {
    String whole = "a value that can be read as " + Words.of(type);
    if (steps.isEmpty()) {
      return whole;
    }
    if (e instanceof UnrecognizedPropertyException) {
      return "no such field, by " + Words.of(type);
    }
    return e instanceof MismatchedInputException mismatch && mismatch.getTargetType() != null
        ? "a value that can be read as " + Words.of((Type) mismatch.getTargetType()) + ", inside "
            + Words.of(type)
        : whole;
  }
}
