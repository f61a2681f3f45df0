package org.oddlantern.internal.plan;

import java.lang.reflect.Constructor;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.lang.reflect.Parameter;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Words;
import org.oddlantern.suite.Changes;
import org.oddlantern.suite.MadeBy;
import org.oddlantern.suite.UsesUp;

/** Reads what one method takes, and tells what is wrong with it: rules 1, 6, 8 and 11. */
final class Signatures {

  private final Class<?> suite;
  private final Method method;
  private final String place;
  private final List<PlanProblem> problems;
  private final SuiteTypes types;

  Signatures(Class<?> suite, Method method, String place, List<PlanProblem> problems) {
    this.suite = suite;
    this.method = method;
    this.place = place;
    this.problems = problems;
    this.types = SuiteTypes.of(suite);
  }

  /** What the method returns in this suite. */
  Type returned() {
    return types.returned(method);
  }

  /** What a parameter takes in this suite. */
  Type type(Parameter parameter) {
    return types.of(parameter);
  }

  /** What the method takes, and what the constructors take that make an instance for it. */
  List<ValueParameter> parameters(boolean mayChange) {
    List<ValueParameter> parameters = new ArrayList<>();
    if (!Modifier.isStatic(method.getModifiers())) {
      for (Class<?> type = suite; type != null; type = outer(type)) {
        parameters.addAll(ofConstructor(type));
      }
    }
    parameters.addAll(of(List.of(method.getParameters()), suite, "it takes ", mayChange));
    return List.copyOf(parameters);
  }

  /** The type that the method hands on; null if it hands on nothing that could flow. */
  @Nullable
  Type handsOn(Type type) {
    ValueTypes.problem(type).ifPresent(problem -> problem("it returns " + problem));
    return type;
  }

  void problem(String message) {
    problems.add(new PlanProblem(place, message));
  }

  private List<ValueParameter> ofConstructor(Class<?> type) {
    List<Constructor<?>> constructors = Stream.of(type.getDeclaredConstructors())
        .filter(constructor -> !constructor.isSynthetic())
        .toList();
    if (constructors.size() != 1) {
      problem(type.getSimpleName() + " has " + constructors.size()
          + " constructors; a suite has one, so that it is clear what it takes");
      return List.of();
    }
    List<Parameter> parameters = List.of(constructors.get(0).getParameters());
    return of(
        parameters.subList(outer(type) == null ? 0 : 1, parameters.size()),
        type,
        "the constructor of " + type.getSimpleName() + " takes ",
        false);
  }

  private List<ValueParameter> of(
      List<Parameter> declared, Class<?> asker, String where, boolean mayChange) {
    List<ValueParameter> parameters = new ArrayList<>();
    Set<Type> seen = new HashSet<>();
    for (Parameter parameter : declared) {
      Type type = type(parameter);
      boolean twice = !seen.add(type);
      if (twice) {
        problem(where + Words.of(type)
            + " twice; a value is taken by its type, so give each its own record");
      } else if (isSoundIn(parameter, where + Words.of(type), mayChange)
          && !ValueTypes.isBuiltIn(type)
          && !KotlinCode.isContinuation(parameter)) {
        ValueTypes.problem(type)
            .ifPresentOrElse(
                problem -> problem(where + problem),
                () -> parameters.add(
                    new ValueParameter(type, use(parameter), madeBy(parameter), asker)));
      }
    }
    return parameters;
  }

  private boolean isSoundIn(Parameter parameter, String what, boolean mayChange) {
    boolean builtIn = ValueTypes.isBuiltIn(parameter.getParameterizedType());
    if (use(parameter) != ValueParameter.Use.READS && (!mayChange || builtIn)) {
      problem(
          what
              + " with @Changes or @UsesUp; these marks belong on the parameters of cases, for values that cases and supplies make");
      return false;
    }
    if (parameter.isAnnotationPresent(Changes.class)
        && parameter.isAnnotationPresent(UsesUp.class)) {
      problem(what + " with both @Changes and @UsesUp; the last includes the first");
      return false;
    }
    return true;
  }

  private static ValueParameter.Use use(Parameter parameter) {
    if (parameter.isAnnotationPresent(UsesUp.class)) {
      return ValueParameter.Use.USES_UP;
    }
    return parameter.isAnnotationPresent(Changes.class)
        ? ValueParameter.Use.CHANGES
        : ValueParameter.Use.READS;
  }

  private static List<Class<?>> madeBy(Parameter parameter) {
    MadeBy madeBy = parameter.getAnnotation(MadeBy.class);
    return madeBy == null ? List.of() : List.of(madeBy.value());
  }

  /** The class whose instance an inner class lives in; null for any other class. */
  static @Nullable Class<?> outer(Class<?> type) {
    return type.isMemberClass() && !Modifier.isStatic(type.getModifiers())
        ? type.getEnclosingClass()
        : null;
  }
}
