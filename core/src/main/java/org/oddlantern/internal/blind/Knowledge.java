package org.oddlantern.internal.blind;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.WireRequest;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * What a case knows of an answer before it comes: what its call sent, what stands in its address, what the
 * case was given. Only what has the same name counts, or every small number would be known.
 */
final class Knowledge {

  private static final Pattern PLACE = Pattern.compile("\\{([^{}]*)}");

  private final @Nullable JsonNode sent;
  private final Map<String, String> arguments;
  private final List<GivenValue> given;
  private final String noun;

  private Knowledge(
      @Nullable JsonNode sent, Map<String, String> arguments, List<GivenValue> given, String noun) {
    this.sent = sent;
    this.arguments = arguments;
    this.given = given;
    this.noun = noun;
  }

  static Knowledge ofCall(WireRequest request, String template, List<GivenValue> given) {
    return new Knowledge(
        Operations.sent(request),
        arguments(template, request.uri().getRawPath()),
        given,
        noun(template.replaceFirst("\\?.*", "")));
  }

  static Knowledge ofLook(List<GivenValue> given) {
    return new Knowledge(null, Map.of(), given, "");
  }

  /** The knowledge of a place; null if there is none. */
  @Nullable
  Known of(String place, JsonNode value) {
    if (value.isContainer() || value.isNull() || place.contains("[*]") || place.equals("$")) {
      return null;
    }
    String name = name(place);
    JsonNode inSent = sent == null ? null : sent.findValue(name);
    if (inSent != null && same(inSent, value)) {
      return new Known(
          "the call sent it", name, "is what the call sent", noun.isEmpty() ? "sent" : noun, sent);
    }
    for (Map.Entry<String, String> argument : arguments.entrySet()) {
      boolean named = argument.getKey().endsWith(" " + name)
          || isNamed(argument.getKey().replaceFirst(" .*", ""), name);
      if (named && argument.getValue().equals(text(value))) {
        return new Known(
            "it is in the address",
            argument.getKey().replaceFirst(" .*", ""),
            "is in the address",
            "",
            null);
      }
    }
    return ofGiven(name, value);
  }

  private @Nullable Known ofGiven(String name, JsonNode value) {
    for (GivenValue one : given) {
      JsonNode inside = one.tree().isObject() ? one.tree().path(name) : one.tree();
      boolean named =
          one.tree().isObject() || isNamed(one.type(), name) || isNamed(one.name(), name);
      if (named && same(inside, value)) {
        String code = one.tree().isObject() ? one.name() + "." + name + "()" : one.name();
        return new Known(
            "the case was given the " + one.type(),
            code,
            "is the " + one.type() + " it was given",
            "",
            null);
      }
    }
    return null;
  }

  private static boolean same(JsonNode one, JsonNode other) {
    return !one.isContainer()
        && !one.isNull()
        && !one.isMissingNode()
        && text(one).equals(text(other));
  }

  private static String text(JsonNode value) {
    return value.asString();
  }

  /** {@code HiveId}, {@code hiveId} and {@code id} are names of an {@code id}. */
  private static boolean isNamed(String one, String name) {
    String lower = one.toLowerCase(Locale.ROOT);
    String wanted = name.toLowerCase(Locale.ROOT);
    return lower.equals(wanted)
        || wanted.equals("id") && lower.endsWith("id")
        || lower.equals(wanted + "id")
        || wanted.equals(lower + "id");
  }

  /** The last name of a path. */
  static String name(String place) {
    int dot = place.lastIndexOf('.');
    int quote = place.lastIndexOf("['");
    return quote > dot
        ? place.substring(quote + 2, Math.max(quote + 2, place.length() - 2))
        : place.substring(dot + 1);
  }

  /** What took the places of a template, by the name of the place and, after a blank, what stands before it. */
  private static Map<String, String> arguments(String template, @Nullable String path) {
    List<String> names = new ArrayList<>();
    StringBuilder pattern = new StringBuilder(".*?");
    Matcher place = PLACE.matcher(template.replaceFirst("\\?.*", ""));
    int from = 0;
    String bare = template.replaceFirst("\\?.*", "");
    while (place.find()) {
      pattern.append(Pattern.quote(bare.substring(from, place.start()))).append("([^/]*)");
      names.add(place.group(1) + " " + noun(bare.substring(0, place.start())));
      from = place.end();
    }
    pattern.append(Pattern.quote(bare.substring(from)));
    Map<String, String> arguments = new HashMap<>();
    Matcher matcher = Pattern.compile(pattern.toString()).matcher(path == null ? "" : path);
    if (!names.isEmpty() && matcher.matches()) {
      for (int i = 0; i < names.size(); i++) {
        arguments.put(names.get(i), matcher.group(i + 1));
      }
    }
    return arguments;
  }

  /** What the last part of an address is about, as code may call one of it: {@code hive}. */
  private static String noun(String template) {
    String noun = "";
    for (String part : template.split("/", -1)) {
      if (part.matches("[A-Za-z]\\w*")) {
        noun = part;
      }
    }
    return noun.length() > 3 && noun.endsWith("s") ? noun.substring(0, noun.length() - 1) : noun;
  }

  /**
   * Why something is known.
   *
   * @param why in words
   * @param code what the case may call it
   * @param comment what that is, in words that go on from its name
   * @param noun what the case may call all that the call sent; empty if it is not known by that
   * @param sent what the call sent, if it is known by that
   */
  record Known(
      String why,
      String code,
      String comment,
      String noun,
      @Nullable JsonNode sent) {}
}
