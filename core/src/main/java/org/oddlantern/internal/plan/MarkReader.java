package org.oddlantern.internal.plan;

import java.lang.annotation.Annotation;
import java.lang.reflect.AnnotatedElement;
import java.lang.reflect.Method;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.internal.Quantities;
import org.oddlantern.suite.Alone;
import org.oddlantern.suite.KnownFault;
import org.oddlantern.suite.NotAgain;
import org.oddlantern.suite.Occupies;
import org.oddlantern.suite.Pending;
import org.oddlantern.suite.Retries;
import org.oddlantern.suite.Skipped;
import org.oddlantern.suite.Tagged;
import org.oddlantern.suite.TimeLimit;
import org.oddlantern.suite.Unwatched;

/** Reads the marks of one case: those on its method, its class, what that extends and what is around it. */
final class MarkReader {

  private final List<AnnotatedElement> places = new ArrayList<>();
  private final Method method;
  private final String place;
  private final List<PlanProblem> problems;

  /**
   * A reader.
   *
   * @param suite the class the case belongs to
   * @param method the case
   * @param place how messages name it
   * @param problems takes what is wrong
   */
  MarkReader(Class<?> suite, Method method, String place, List<PlanProblem> problems) {
    this.method = method;
    this.place = place;
    this.problems = problems;
    places.add(method);
    for (Class<?> around = suite; around != null; around = around.getEnclosingClass()) {
      for (Class<?> type = around; type != null; type = type.getSuperclass()) {
        places.add(type);
      }
    }
  }

  CaseMarks marks() {
    Skipped skipped = first(Skipped.class);
    KnownFault fault = method.getAnnotation(KnownFault.class);
    boolean pending = method.isAnnotationPresent(Pending.class);
    if (skipped != null && skipped.why().isBlank()) {
      problem("@Skipped needs a reason, so that somebody can take it off again");
    }
    if (fault != null && fault.value().isBlank()) {
      problem("@KnownFault needs a reference, like the number of an issue");
    }
    if (fault != null && pending) {
      problem("it has both @KnownFault and @Pending; what is not written has no known fault");
    }
    return new CaseMarks(
        tags(),
        skipped == null ? "" : skipped.why(),
        skipped == null || skipped.until().isEmpty() ? null : day(skipped.until()),
        pending,
        fault == null ? "" : fault.value(),
        timeLimit(),
        tries(),
        first(Alone.class) != null,
        occupies(),
        notAgain(),
        unwatched());
  }

  private String notAgain() {
    NotAgain mark = first(NotAgain.class);
    if (mark != null && mark.value().isBlank()) {
      problem("@NotAgain needs a reason, which reports show");
    }
    return mark == null ? "" : mark.value();
  }

  private List<String> unwatched() {
    Unwatched mark = method.getAnnotation(Unwatched.class);
    List<String> unwatched = mark == null ? List.of() : List.of(mark.value());
    if (unwatched.stream().anyMatch(String::isBlank)) {
      problem("@Unwatched needs places, like \"$.asked\" or \"header Server\"");
    }
    return unwatched;
  }

  private int tries() {
    Retries retries = first(Retries.class);
    if (retries != null && retries.value() < 0) {
      problem("@Retries must be 0 or more, not " + retries.value());
    }
    return retries == null ? 1 : 1 + Math.max(0, retries.value());
  }

  private List<String> occupies() {
    Set<String> things = new TreeSet<>();
    for (AnnotatedElement element : places) {
      Occupies occupies = element.getDeclaredAnnotation(Occupies.class);
      things.addAll(occupies == null ? List.of() : List.of(occupies.value()));
    }
    if (things.stream().anyMatch(String::isBlank)) {
      problem("@Occupies needs a name for what it occupies");
    }
    return List.copyOf(things);
  }

  /** How long the method may take by its own mark: what a class says is about its cases. */
  Duration ownTimeLimit() {
    return duration(method.getAnnotation(TimeLimit.class));
  }

  private Duration timeLimit() {
    return duration(first(TimeLimit.class));
  }

  private Duration duration(@Nullable TimeLimit limit) {
    try {
      return limit == null
          ? CaseMarks.STANDARD_LIMIT
          : Quantities.duration(limit.value(), "@TimeLimit", "value");
    } catch (SettingsProblem e) {
      problem(String.valueOf(e.getMessage()));
      return CaseMarks.STANDARD_LIMIT;
    }
  }

  private List<String> tags() {
    Set<String> tags = new TreeSet<>();
    for (AnnotatedElement element : places) {
      Tagged tagged = element.getDeclaredAnnotation(Tagged.class);
      for (String tag : tagged == null ? new String[0] : tagged.value()) {
        if (!tag.matches("[^\\s,]+")) {
          problem("the tag '" + tag + "' must be a word without blanks and commas");
        } else {
          tags.add(tag);
        }
      }
    }
    return List.copyOf(tags);
  }

  private @Nullable LocalDate day(String text) {
    try {
      return LocalDate.parse(text);
    } catch (DateTimeException e) {
      problem("@Skipped is until '" + text + "'; write the day like 2026-12-01");
      return null;
    }
  }

  private <A extends Annotation> @Nullable A first(Class<A> type) {
    for (AnnotatedElement element : places) {
      A found = element.getDeclaredAnnotation(type);
      if (found != null) {
        return found;
      }
    }
    return null;
  }

  private void problem(String message) {
    problems.add(new PlanProblem(place, message));
  }
}
