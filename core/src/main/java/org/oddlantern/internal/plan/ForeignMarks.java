package org.oddlantern.internal.plan;

import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What to write instead of a mark of another test framework, which means nothing on a suite. */
final class ForeignMarks {

  private static final Pattern DESCRIPTOR =
      Pattern.compile("L(?:org/junit|junit|org/testng)/(?:[\\w/]+/)?([\\w$]+);");

  private static final String ONCE =
      "a shared @Supply makes something once before, a @TidyUp puts it back";
  private static final String EACH =
      "the constructor runs before each case, and close() of an AutoCloseable suite after it";

  private static final Map<String, String> OURS = Map.ofEntries(
      Map.entry("Test", "a case is marked with @Case"),
      Map.entry(
          "ParameterizedTest", "a case that takes the type of a @Samples method runs over them"),
      Map.entry("RepeatedTest", "a case that takes the type of a @Samples method runs over them"),
      Map.entry("Nested", "a nested class is a section without any mark"),
      Map.entry("DisplayName", "the title belongs in @Case"),
      Map.entry("Disabled", "a case that is not to run is marked with @Skipped"),
      Map.entry("Ignore", "a case that is not to run is marked with @Skipped"),
      Map.entry("Tag", "tags are given with @Tagged"),
      Map.entry("Timeout", "a limit is given with @TimeLimit"),
      Map.entry("TestMethodOrder", "the order follows from the values that cases take"),
      Map.entry("Order", "the order follows from the values that cases take"),
      Map.entry("BeforeEach", EACH),
      Map.entry("AfterEach", EACH),
      Map.entry("Before", EACH),
      Map.entry("After", EACH),
      Map.entry("BeforeMethod", EACH),
      Map.entry("AfterMethod", EACH),
      Map.entry("BeforeAll", ONCE),
      Map.entry("AfterAll", ONCE),
      Map.entry("BeforeClass", ONCE),
      Map.entry("AfterClass", ONCE));

  private ForeignMarks() {}

  static Optional<PlanProblem> problem(String descriptor, String place) {
    Matcher matcher = DESCRIPTOR.matcher(descriptor);
    if (!matcher.matches()) {
      return Optional.empty();
    }
    String name = matcher.group(1).replaceAll("^.*\\$", "");
    String ours = OURS.getOrDefault(name, "take it off");
    return Optional.of(new PlanProblem(
        place,
        "it is marked with @%s of another test framework, which does nothing here; %s"
            .formatted(name, ours)));
  }
}
