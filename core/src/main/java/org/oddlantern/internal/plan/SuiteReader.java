package org.oddlantern.internal.plan;

import java.io.IOException;
import java.io.InputStream;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;
import org.oddlantern.suite.Supply;

/**
 * Reads what a class has, once each, with everything that is wrong in it. Works on signatures alone; no
 * class is initialised.
 */
final class SuiteReader {

  private final Map<Class<?>, ClassFile> files = new HashMap<>();
  private final Map<Class<?>, SuiteMembers> read = new HashMap<>();

  /** By class, then by its methods with those it inherits. */
  private final Map<Class<?>, Map<Method, List<PlanProblem>>> problems = new LinkedHashMap<>();

  /** The cases of a class with what it inherits, in source order; also of an abstract one. */
  List<CaseDefinition> cases(Class<?> suite) {
    return members(suite).cases();
  }

  /** All that a class has, with what it inherits. */
  SuiteMembers members(Class<?> suite) {
    SuiteMembers known = read.get(suite);
    if (known == null) {
      known = define(suite);
      read.put(suite, known);
    }
    return known;
  }

  /** The same of a class that is at home where a value is, suite or not; one that cannot be read has nothing. */
  SuiteMembers membersAtHome(Class<?> home) {
    try {
      return members(home);
    } catch (LinkageError e) {
      return new SuiteMembers(List.of(), List.of(), List.of(), List.of());
    }
  }

  /** What is wrong in a method by itself. */
  List<PlanProblem> problems(Class<?> suite, Method method) {
    return problems.getOrDefault(suite, Map.of()).getOrDefault(method, List.of());
  }

  /** What is wrong in any method of the suites of some cases, needed or not. */
  List<PlanProblem> allProblems(Collection<CaseDefinition> cases) {
    Set<Class<?>> suites = new LinkedHashSet<>();
    cases.forEach(one -> suites.add(one.suite()));
    return problems.entrySet().stream()
        .filter(entry -> suites.contains(entry.getKey()))
        .flatMap(entry -> entry.getValue().values().stream().flatMap(List::stream))
        .toList();
  }

  /** The schemas that a class and what it inherits from name by constants. */
  List<SchemaName> schemas(Class<?> suite) {
    return line(suite).stream().flatMap(type -> file(type).schemas().stream()).toList();
  }

  /** What deserves a look in a class and what it inherits from. */
  List<String> warnings(Class<?> suite) {
    return line(suite).stream().flatMap(type -> file(type).warnings().stream()).toList();
  }

  /** The marks of other test frameworks in a class and what it inherits from. */
  List<PlanProblem> foreignMarks(Class<?> suite) {
    return line(suite).stream()
        .flatMap(type -> file(type).foreignMarks().stream())
        .toList();
  }

  /** Where a class begins in its source. */
  Position start(Class<?> type) {
    return file(type).start();
  }

  private SuiteMembers define(Class<?> suite) {
    SuiteMembers members = new SuiteMembers(
        new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
    Set<String> names = new HashSet<>();
    Map<Method, List<PlanProblem>> wrong = new LinkedHashMap<>();
    for (Method method : methods(suite)) {
      MemberReader reader = new MemberReader(suite, method, position(method));
      add(reader, method, members);
      List<PlanProblem> found = new ArrayList<>(reader.problems());
      if (isNamed(method) && !names.add(method.getName())) {
        found.add(
            new PlanProblem(
                place(suite, method),
                "another case of this class has the same method name, so neither could be selected or told apart; rename one"));
      }
      wrong.put(method, found);
    }
    problems.put(suite, wrong);
    return members;
  }

  /** Whether people call it by its name. */
  private static boolean isNamed(Method method) {
    return method.isAnnotationPresent(Case.class) || method.isAnnotationPresent(Supply.class);
  }

  private static void add(MemberReader reader, Method method, SuiteMembers members) {
    if (method.isAnnotationPresent(Case.class)) {
      members.cases().add(reader.asCase());
    } else if (method.isAnnotationPresent(Supply.class)) {
      members.supplies().add(reader.asSupply());
    } else if (method.isAnnotationPresent(Samples.class)) {
      members.samples().add(reader.asSamples());
    } else {
      members.tidyUps().add(reader.asTidyUp());
    }
  }

  private String place(Class<?> suite, Method method) {
    return new CaseId(suite.getName(), method.getName(), "", "").brief() + " (" + position(method)
        + ")";
  }

  private List<Method> methods(Class<?> suite) {
    List<Method> methods = new ArrayList<>();
    for (Class<?> type : line(suite)) {
      List<Method> declared = Arrays.asList(type.getDeclaredMethods());
      declared.forEach(method -> methods.removeIf(inherited -> overrides(method, inherited)));
      declared.stream()
          .filter(method -> MemberReader.isMember(method) && !KotlinCode.standsOutside(method))
          .sorted(Comparator.comparing(method -> position(method).order()))
          .forEach(methods::add);
    }
    return methods;
  }

  /** A class after those it extends, the JDK's left out. */
  private static List<Class<?>> line(Class<?> suite) {
    Deque<Class<?>> line = new ArrayDeque<>();
    for (Class<?> type = suite;
        type != null && type.getClassLoader() != null;
        type = type.getSuperclass()) {
      line.addFirst(type);
    }
    return List.copyOf(line);
  }

  private static boolean overrides(Method method, Method inherited) {
    return !Modifier.isPrivate(inherited.getModifiers())
        && !Modifier.isStatic(inherited.getModifiers())
        && method.getName().equals(inherited.getName())
        && Arrays.equals(method.getParameterTypes(), inherited.getParameterTypes());
  }

  /** The steps that a method names. */
  List<String> steps(Method method) {
    return file(method.getDeclaringClass())
        .steps(
            method.getName(),
            org.oddlantern.shaded.org.objectweb.asm.Type.getMethodDescriptor(method));
  }

  private Position position(Method method) {
    return file(method.getDeclaringClass())
        .position(
            method.getName(),
            org.oddlantern.shaded.org.objectweb.asm.Type.getMethodDescriptor(method));
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
