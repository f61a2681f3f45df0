package org.oddlantern.internal.plan;

import java.lang.annotation.Annotation;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.lang.reflect.Parameter;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.suite.Alone;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.KnownFault;
import org.oddlantern.suite.Occupies;
import org.oddlantern.suite.OnEnvironment;
import org.oddlantern.suite.Pending;
import org.oddlantern.suite.Retries;
import org.oddlantern.suite.Samples;
import org.oddlantern.suite.Skipped;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.Tagged;
import org.oddlantern.suite.TidyUp;

/** Reads one marked method of a suite as what it is, with everything that is wrong in it by itself. */
final class MemberReader {

  private static final Set<Class<? extends Annotation>> KINDS =
      Set.of(Case.class, Supply.class, Samples.class, TidyUp.class);

  private static final List<Class<? extends Annotation>> FOR_CASES = List.of(
      Tagged.class,
      Skipped.class,
      Pending.class,
      KnownFault.class,
      Retries.class,
      Alone.class,
      Occupies.class);

  private final Class<?> suite;
  private final Method method;
  private final Position position;
  private final String place;
  private final Signatures signatures;
  private final List<PlanProblem> problems = new ArrayList<>();

  MemberReader(Class<?> suite, Method method, Position position) {
    this.suite = suite;
    this.method = method;
    this.position = position;
    this.place = id().brief() + " (" + position + ")";
    this.signatures = new Signatures(suite, method, place, problems);
    if (kinds(method) > 1) {
      signatures.problem(
          "it is marked as more than one of @Case, @Supply, @Samples and @TidyUp; a method is one of them");
    }
    for (Class<? extends Annotation> mark : FOR_CASES) {
      if (method.isAnnotationPresent(mark) && !method.isAnnotationPresent(Case.class)) {
        signatures.problem("@%s is on a method that is no case, where it means nothing"
            .formatted(mark.getSimpleName()));
      }
    }
  }

  static boolean isMember(Method method) {
    return kinds(method) > 0 && !method.isBridge();
  }

  private static long kinds(Method method) {
    return KINDS.stream().filter(method::isAnnotationPresent).count();
  }

  /** What is wrong in it; of what is not even meant, that alone. */
  List<PlanProblem> problems() {
    List<String> kotlin = KotlinCode.problems(method);
    return kotlin.isEmpty()
        ? problems
        : kotlin.stream().map(problem -> new PlanProblem(place, problem)).toList();
  }

  CaseDefinition asCase() {
    String title = method.getAnnotation(Case.class).value();
    Type returned = signatures.returned();
    CaseMarks marks = new MarkReader(suite, method, place, problems).marks();
    return new CaseDefinition(
        id(),
        suite,
        method,
        new CaseDefinition.Titled(title.isBlank() ? method.getName() : title, null),
        position,
        signatures.parameters(true),
        ValueTypes.handsNothingOn(returned) ? null : signatures.handsOn(returned),
        environment(),
        marks);
  }

  SupplyDefinition asSupply() {
    Supply supply = method.getAnnotation(Supply.class);
    Type returned = signatures.returned();
    if (returned == void.class || returned == Void.class) {
      signatures.problem("it returns nothing; a supply returns what it supplies");
    } else {
      signatures.handsOn(returned);
    }
    return new SupplyDefinition(
        suite,
        method,
        supply.value().isBlank() ? method.getName() : supply.value(),
        position,
        signatures.parameters(false),
        returned,
        environment(),
        supply.shared(),
        new MarkReader(suite, method, place, problems).ownTimeLimit());
  }

  SamplesDefinition asSamples() {
    if (!Modifier.isStatic(method.getModifiers()) || method.getParameterCount() > 0) {
      signatures.problem(
          "a method of samples is static and takes nothing, since it is called when the run is planned");
    }
    Type sample = sampleType();
    if (sample == null) {
      signatures.problem(
          "it returns no List and no Stream; a method of samples returns a List<Refusal>, say");
    } else {
      ValueTypes.problem(sample)
          .ifPresent(problem -> signatures.problem("it returns samples of a type that " + problem));
    }
    return new SamplesDefinition(suite, method, position, sample == null ? void.class : sample);
  }

  TidyUpDefinition asTidyUp() {
    Parameter value = Stream.of(method.getParameters())
        .filter(parameter -> !ValueTypes.isBuiltIn(parameter.getParameterizedType()))
        .findFirst()
        .orElse(null);
    if (value == null) {
      signatures.problem(
          "it takes nothing that it could put back; its first parameter is the value");
    }
    Type type = value == null ? void.class : signatures.type(value);
    return new TidyUpDefinition(
        suite,
        method,
        position,
        type,
        signatures.parameters(false).stream()
            .filter(parameter -> !parameter.type().equals(type))
            .toList());
  }

  private @Nullable Type sampleType() {
    return signatures.returned() instanceof ParameterizedType generic
            && (generic.getRawType() == List.class || generic.getRawType() == Stream.class)
        ? generic.getActualTypeArguments()[0]
        : null;
  }

  private CaseId id() {
    return new CaseId(suite.getName(), method.getName(), "", "");
  }

  /** The environment that the class, what it extends or what is around it is pinned to. */
  private String environment() {
    for (Class<?> type = suite; type != null; type = type.getEnclosingClass()) {
      OnEnvironment pinned = type.getAnnotation(OnEnvironment.class);
      if (pinned != null) {
        return pinned.value();
      }
    }
    return "";
  }
}
