package org.oddlantern.internal.plan;

import java.io.IOException;
import java.lang.reflect.Modifier;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds the suites of some places, without initialising a class. */
final class Discovery {

  private final ClassLoader loader;
  private final SuiteReader reader;
  private final List<PlanProblem> problems = new ArrayList<>();
  private final List<String> warnings = new ArrayList<>();
  private final Map<String, Boolean> kin = new HashMap<>();

  Discovery(ClassLoader loader, SuiteReader reader) {
    this.loader = loader;
    this.reader = reader;
  }

  /** All cases in source order: by class, then by position in it. */
  List<CaseDefinition> find(List<Place> places) {
    List<CaseDefinition> cases = new ArrayList<>();
    for (Place place : places) {
      suites(place).stream()
          .sorted(Comparator.comparing(
                  (Class<?> suite) -> SuiteName.outermost(suite).getName())
              .thenComparing(suite -> reader.start(suite).line()))
          .forEach(suite -> cases.addAll(reader.cases(suite)));
    }
    return cases.stream().distinct().toList();
  }

  List<PlanProblem> problems() {
    return problems;
  }

  List<String> warnings() {
    return warnings;
  }

  private List<Class<?>> suites(Place place) {
    try {
      Map<String, ClassFile> heads = new HashMap<>();
      List<ClassFile> files = place.heads();
      files.forEach(file -> heads.put(file.className(), file));
      List<Class<?>> suites = new ArrayList<>();
      files.stream()
          .filter(file -> isKin(file, heads))
          .forEach(file -> load(file.className(), suites));
      return suites;
    } catch (IOException e) {
      problems.add(
          new PlanProblem(place.path().toString(), "it cannot be read: " + e.getMessage()));
      return List.of();
    }
  }

  /** Whether a class has cases or may inherit some. */
  private boolean isKin(ClassFile file, Map<String, ClassFile> heads) {
    Boolean known = kin.get(file.className());
    if (known == null) {
      ClassFile parent = heads.get(file.superName());
      known = file.isMarked()
          || (parent == null ? isForeignKin(file.superName()) : isKin(parent, heads));
      kin.put(file.className(), known);
    }
    return known;
  }

  /** A parent outside the place: loaded only if it is no class of the JDK. */
  private boolean isForeignKin(String name) {
    if (name.startsWith("java.") || name.startsWith("jdk.") || name.equals("null")) {
      return false;
    }
    try {
      return !reader.cases(Class.forName(name, false, loader)).isEmpty();
    } catch (ClassNotFoundException | LinkageError | IllegalStateException e) {
      return false; // a class without cases may miss what it likes
    }
  }

  private void load(String name, List<Class<?>> suites) {
    try {
      Class<?> type = Class.forName(name, false, loader);
      boolean suite = !Modifier.isAbstract(type.getModifiers())
          && !type.isLocalClass()
          && !type.isAnonymousClass();
      if (suite && !reader.cases(type).isEmpty()) {
        suites.add(type);
        warnOfName(type);
        reader.warnings(type).forEach(this::warn);
      }
    } catch (ClassNotFoundException | LinkageError e) {
      problems.add(new PlanProblem(name, "the class cannot be loaded: " + reason(e)));
    }
  }

  private static String reason(Throwable e) {
    String missing = String.valueOf(e.getMessage()).replace('/', '.');
    if (e instanceof UnsupportedClassVersionError) {
      Matcher version = Pattern.compile("class file version (\\d+)").matcher(missing);
      String java =
          version.find() ? "Java " + (Integer.parseInt(version.group(1)) - 44) : "a newer Java";
      return "it is compiled for " + java + ", and this is Java "
          + Runtime.version().feature() + "; compile with --release, or run with a newer Java";
    }
    if (e instanceof ClassFormatError || e instanceof VerifyError) {
      return "its class file is cut off or damaged; compile the suites anew";
    }
    return e instanceof NoClassDefFoundError || e instanceof ClassNotFoundException
        ? "it needs " + missing + ", which is not on the class path; add it with --class-path"
        : e.getClass().getSimpleName() + ": " + missing;
  }

  private void warnOfName(Class<?> suite) {
    String name = SuiteName.outermost(suite).getSimpleName();
    if (!name.matches("Test.*|.*Tests?|.*TestCase")) {
      warn(
          "the ordinary build passes over the suite " + name + ", whose name does not end in Test");
    }
  }

  private void warn(String warning) {
    if (!warnings.contains(warning)) {
      warnings.add(warning);
    }
  }
}
