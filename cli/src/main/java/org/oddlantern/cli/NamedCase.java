package org.oddlantern.cli;

import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.oddlantern.json.internal.NearestMatch;

/**
 * Recorded cases as a command line names them.
 *
 * @param name a class, {@code Class#method}, {@code Class#method[sample]}, with or without its package; or
 *     a title, in any case of letters, with {@code *} for any text
 */
record NamedCase(String name) {

  /** Whether a case is called so. */
  boolean fits(String id, String title) {
    return names(id).contains(name) || title(name).matcher(title).matches();
  }

  /** What may have been meant, of cases that are there; empty if nothing is near. */
  String hint(Stream<String> ids) {
    return NearestMatch.hint(
        name, ids.flatMap(id -> names(id).stream()).distinct().toList());
  }

  private static List<String> names(String id) {
    String method = id.replaceFirst("\\[.*", "");
    return Stream.of(id, method, method.replaceFirst("#.*", ""))
        .flatMap(one -> Stream.of(one, one.replaceFirst("^[^#\\[]*\\.", "")))
        .flatMap(one -> Stream.of(one, one.replaceFirst("^[^#\\[]*\\$", "")))
        .toList();
  }

  private static Pattern title(String name) {
    String pattern =
        Stream.of(name.split("\\*", -1)).map(Pattern::quote).collect(Collectors.joining(".*"));
    return Pattern.compile(
        pattern, Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.DOTALL);
  }
}
