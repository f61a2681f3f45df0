package org.oddlantern.plan;

import java.io.IOException;
import java.io.InputStream;
import java.lang.reflect.Constructor;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.lang.reflect.Parameter;
import java.lang.reflect.Type;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Words;
import org.oddlantern.suite.Against;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Changes;
import org.oddlantern.suite.MadeBy;
import org.oddlantern.suite.UsesUp;

/**
 * Reads the cases of a class, once each, with everything that is wrong in them. Works on signatures
 * alone; no class is initialised.
 */
final class SuiteReader {

  private final Map<Class<?>, ClassFile> files = new HashMap<>();
  private final Map<Class<?>, List<CaseDefinition>> read = new HashMap<>();
  private final Map<CaseId, List<PlanProblem>> problems = new LinkedHashMap<>();

  /** The cases of a class with what it inherits, in source order; also of an abstract one. */
  List<CaseDefinition> cases(Class<?> suite) {
    List<CaseDefinition> known = read.get(suite);
    if (known == null) {
      known = define(suite);
      read.put(suite, known);
    }
    return known;
  }

  /** What is wrong in a case by itself. */
  List<PlanProblem> problems(CaseDefinition definition) {
    return problems.getOrDefault(definition.id().anywhere(), List.of());
  }

  /** The schemas that a class and what it inherits from name by constants. */
  List<SchemaName> schemas(Class<?> suite) {
    List<SchemaName> names = new ArrayList<>();
    for (Class<?> type = suite;
        type != null && type.getClassLoader() != null;
        type = type.getSuperclass()) {
      names.addAll(file(type).schemas());
    }
    return names;
  }

  /** Where a class begins in its source. */
  Position start(Class<?> type) {
    return file(type).start();
  }

  private List<CaseDefinition> define(Class<?> suite) {
    List<CaseDefinition> cases = new ArrayList<>();
    Set<String> names = new HashSet<>();
    for (Method method : methods(suite)) {
      CaseDefinition definition = define(suite, method);
      if (!names.add(method.getName())) {
        report(
            definition,
            "another case of this class has the same method name, so neither could be selected or told apart; rename one");
      }
      cases.add(definition);
    }
    return List.copyOf(cases);
  }

  private List<Method> methods(Class<?> suite) {
    Deque<Class<?>> line = new ArrayDeque<>();
    for (Class<?> type = suite; type != null && type != Object.class; type = type.getSuperclass()) {
      line.addFirst(type);
    }
    List<Method> methods = new ArrayList<>();
    for (Class<?> type : line) {
      List<Method> declared = Arrays.asList(type.getDeclaredMethods());
      declared.forEach(method -> methods.removeIf(inherited -> overrides(method, inherited)));
      declared.stream()
          .filter(method -> method.isAnnotationPresent(Case.class) && !method.isBridge())
          .sorted(Comparator.comparing(method -> position(method).order()))
          .forEach(methods::add);
    }
    return methods;
  }

  private static boolean overrides(Method method, Method inherited) {
    return !Modifier.isPrivate(inherited.getModifiers())
        && !Modifier.isStatic(inherited.getModifiers())
        && method.getName().equals(inherited.getName())
        && Arrays.equals(method.getParameterTypes(), inherited.getParameterTypes());
  }

  private CaseDefinition define(Class<?> suite, Method method) {
    List<PlanProblem> found = new ArrayList<>();
    CaseId id = new CaseId(suite.getName(), method.getName(), "");
    Position position = position(method);
    String place = id.brief() + " (" + position + ")";
    List<Want> wants = new ArrayList<>();
    for (Class<?> type = suite; type != null; type = outer(type)) {
      wants.addAll(constructorWants(type, place, found));
    }
    wants.addAll(wants(List.of(method.getParameters()), suite, false, place, found));
    Type returned = method.getGenericReturnType();
    boolean nothing = ValueTypes.handsNothingOn(returned);
    if (!nothing) {
      ValueTypes.problem(returned)
          .ifPresent(problem -> found.add(new PlanProblem(place, "it returns " + problem)));
    }
    String title = method.getAnnotation(Case.class).value();
    CaseMarks marks = new MarkReader(suite, method, place, found).marks();
    problems.merge(id, found, SuiteReader::joined);
    return new CaseDefinition(
        id,
        suite,
        method,
        title.isBlank() ? method.getName() : title,
        position,
        List.copyOf(wants),
        nothing ? null : returned,
        environment(suite),
        marks);
  }

  /** The environment that the class, what it extends or what is around it is pinned to. */
  private static String environment(Class<?> suite) {
    for (Class<?> type = suite; type != null; type = type.getEnclosingClass()) {
      Against against = type.getAnnotation(Against.class);
      if (against != null) {
        return against.value();
      }
    }
    return "";
  }

  private List<Want> constructorWants(Class<?> type, String place, List<PlanProblem> found) {
    Constructor<?>[] constructors = type.getDeclaredConstructors();
    if (constructors.length != 1) {
      found.add(new PlanProblem(
          place,
          type.getSimpleName() + " has " + constructors.length
              + " constructors; a suite has one, so that it is clear what it takes"));
      return List.of();
    }
    List<Parameter> parameters = List.of(constructors[0].getParameters());
    return wants(
        parameters.subList(outer(type) == null ? 0 : 1, parameters.size()),
        type,
        true,
        place,
        found);
  }

  private static List<Want> wants(
      List<Parameter> parameters,
      Class<?> asker,
      boolean constructor,
      String place,
      List<PlanProblem> found) {
    List<Want> wants = new ArrayList<>();
    Set<Type> types = new HashSet<>();
    for (Parameter parameter : parameters) {
      Type type = parameter.getParameterizedType();
      String where =
          constructor ? "the constructor of " + asker.getSimpleName() + " takes " : "it takes ";
      Want.Use use = use(parameter);
      if (!types.add(type)) {
        found.add(new PlanProblem(
            place,
            where + Words.of(type)
                + " twice; a value is taken by its type, so give each its own record"));
      } else if (use != Want.Use.READS && (constructor || ValueTypes.isBuiltIn(type))) {
        found.add(
            new PlanProblem(
                place,
                where + Words.of(type)
                    + " with @Changes or @UsesUp; these marks stand on the parameters of cases, for values that cases make"));
      } else if (parameter.isAnnotationPresent(Changes.class)
          && parameter.isAnnotationPresent(UsesUp.class)) {
        found.add(new PlanProblem(
            place,
            where + Words.of(type)
                + " with both @Changes and @UsesUp; the last includes the first"));
      } else if (!ValueTypes.isBuiltIn(type)) {
        ValueTypes.problem(type)
            .ifPresentOrElse(
                problem -> found.add(new PlanProblem(place, where + problem)),
                () -> wants.add(new Want(type, use, madeBy(parameter), asker)));
      }
    }
    return wants;
  }

  private static Want.Use use(Parameter parameter) {
    if (parameter.isAnnotationPresent(UsesUp.class)) {
      return Want.Use.USES_UP;
    }
    return parameter.isAnnotationPresent(Changes.class) ? Want.Use.CHANGES : Want.Use.READS;
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

  private void report(CaseDefinition definition, String message) {
    problems.merge(
        definition.id(),
        List.of(new PlanProblem(definition.place(), message)),
        SuiteReader::joined);
  }

  private static List<PlanProblem> joined(List<PlanProblem> a, List<PlanProblem> b) {
    List<PlanProblem> all = new ArrayList<>(a);
    all.addAll(b);
    return all;
  }

  private Position position(Method method) {
    return file(method.getDeclaringClass())
        .position(method.getName(), org.objectweb.asm.Type.getMethodDescriptor(method));
  }

  private ClassFile file(Class<?> type) {
    return files.computeIfAbsent(type, SuiteReader::readFile);
  }

  private static ClassFile readFile(Class<?> type) {
    String name = type.getName().substring(type.getName().lastIndexOf('.') + 1) + ".class";
    try (InputStream stream = type.getResourceAsStream(name)) {
      if (stream == null) {
        throw new IOException("there is no " + name);
      }
      return ClassFile.whole(stream.readAllBytes());
    } catch (IOException e) {
      throw new IllegalStateException(
          "the class file of " + type.getName() + " cannot be read: " + e.getMessage(), e);
    }
  }
}
