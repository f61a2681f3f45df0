package org.oddlantern.dist.house;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noFields;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.tngtech.archunit.core.domain.Dependency;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.core.importer.Location;
import com.tngtech.archunit.lang.ArchRule;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.oddlantern.internal.CurrentCase;

/** Who may use whom, package by package, in every module; no printing in core, no static state. */
class ArchitectureIT {

  private static final String ROOT = "org.oddlantern.";

  /** Lowest first: a package uses itself, those before it, and the other half of its own room. */
  private static final List<String> ORDER = List.of(
      "internal",
      "json",
      "json.internal",
      "json.internal.path",
      "json.internal.jackson2",
      "json.internal.jackson3",
      "xml",
      "evidence",
      "evidence.internal",
      "payload",
      "schema.internal.text",
      "schema.internal",
      "schema.internal.make",
      "schema",
      "internal.description",
      "internal.described",
      "http.internal",
      "http",
      "check.internal",
      "check",
      "database",
      "standin",
      "program",
      "config.internal",
      "config",
      "suite",
      "internal.promise",
      "internal.plan",
      "internal.mask",
      "internal.connections",
      "internal.record",
      "internal.journal",
      "internal.blind",
      "internal.run",
      "internal.reports",
      "internal.reports.console",
      "internal.reports.har",
      "internal.reports.html",
      "internal.reports.junitxml",
      "internal.reports.summary",
      "internal.reports.folder",
      "internal.junit",
      "junit",
      "cli");

  /** What stands in a report: nothing of how a run is planned or carried out. */
  private static final List<String> OF_REPORTS = List.of(
      "internal",
      "json",
      "json.internal",
      "json.internal.path",
      "xml",
      "evidence",
      "evidence.internal",
      "internal.description",
      "internal.described",
      "config.internal",
      "internal.promise",
      "internal.mask",
      "internal.record",
      "internal.journal",
      "internal.reports");

  /** Whose inner half is used by other rooms, and why that is right. */
  private static final Map<String, String> OPEN = Map.of(
      "json.internal.path", "every room asks paths of trees, and a run reads each path once",
      "json.internal", "every room compares, reads and words values in the one way there is",
      "evidence.internal",
          "whatever can be looked at is judged in one way, and heard of in one way",
      "http.internal",
          "databases and the runner share a case's surroundings; records are made of exchanges",
      "schema.internal.text", "shapes like date() and email() are the formats of JSON Schema",
      "schema.internal", "a run reads each schema once",
      "schema.internal.make",
          "calls are made wrong and stand-ins answer by the schemas of a description",
      "check.internal", "a shape is a check of the whole wherever evidence is no reply",
      "config.internal", "the runner and the command read the settings, which a suite never sees");

  private static final JavaClasses CLASSES = new ClassFileImporter()
      .withImportOption(new ImportOption.DoNotIncludeTests())
      .withImportOption(ArchitectureIT::isPublished)
      .importPackages("org.oddlantern");

  private static boolean isPublished(Location location) {
    return !location.contains("/demo")
        && !location.contains("-demo-")
        && !location.contains("/site")
        && !location.contains("-site-")
        && !location.contains("/dist/")
        && !location.contains("/parser")
        && !location.contains("/shaded/")
        && !location.contains("reports/templates");
  }

  @Test
  void aPackageUsesOnlyThoseBeforeIt() {
    Set<String> wrong = new TreeSet<>();
    uses().forEach(use -> {
      String from = room(use.getOriginClass());
      String to = room(use.getTargetClass());
      boolean own = half(from).equals(half(to));
      if (!own && ORDER.indexOf(to) > ORDER.indexOf(from)) {
        wrong.add(told(use));
      }
      if (from.startsWith("internal.reports")
          && !to.startsWith("internal.reports")
          && !OF_REPORTS.contains(to)) {
        wrong.add(told(use) + ", which is nothing for reports");
      }
    });
    assertEquals("", String.join("\n", wrong));
    assertEquals(
        ORDER.stream().sorted().toList(),
        CLASSES.stream().map(ArchitectureIT::room).distinct().sorted().toList());
  }

  @Test
  void innerHalvesOfRoomsAreUsedByOthersForAReasonOnly() {
    Map<String, Set<String>> wrong = new TreeMap<>();
    Set<String> open = new TreeSet<>();
    uses().forEach(use -> {
      String to = room(use.getTargetClass());
      if (to.contains(".internal") && !half(room(use.getOriginClass())).equals(half(to))) {
        open.add(to);
        if (!OPEN.containsKey(to)) {
          wrong.computeIfAbsent(to, none -> new TreeSet<>()).add(told(use));
        }
      }
    });
    assertEquals(Map.of(), wrong);
    assertEquals(new TreeSet<>(OPEN.keySet()), open, "a reason that nobody needs any more");
  }

  @Test
  void coreComputesAndNeverPrints() {
    check(noClasses()
        .that()
        .resideOutsideOfPackages("org.oddlantern.internal.reports..", "org.oddlantern.cli..")
        .should()
        .accessField(System.class, "out")
        .orShould()
        .accessField(System.class, "err"));
    check(noClasses().should().callMethod(Throwable.class, "printStackTrace"));
    check(noClasses()
        .that()
        .resideOutsideOfPackages("org.oddlantern.internal.reports..", "org.oddlantern.cli..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("..picocli..", "..gg.jte.."));
  }

  @Test
  void theCaseAtWorkIsTheOnlyStaticState() {
    check(noFields().that().areStatic().should().notBeFinal());
    check(noFields()
        .that()
        .areStatic()
        .and()
        .areNotDeclaredIn(CurrentCase.class)
        .should()
        .haveRawType(ThreadLocal.class));
  }

  @Test
  void noRecordOfWhatHappenedHasMoreThanEightComponents() {
    List<String> large = CLASSES.stream()
        .filter(type -> room(type).equals("internal.record"))
        .filter(type -> type.isRecord() && components(type) > 8)
        .map(type -> type.getSimpleName() + " has " + components(type))
        .sorted()
        .toList();
    assertEquals(List.of(), large);
  }

  private static long components(JavaClass type) {
    return type.getFields().stream()
        .filter(field -> !field.getModifiers().contains(JavaModifier.STATIC))
        .count();
  }

  private static Stream<Dependency> uses() {
    return CLASSES.stream()
        .flatMap(type -> type.getDirectDependenciesFromSelf().stream())
        .filter(use -> isOurs(use.getTargetClass().getBaseComponentType().getPackageName()))
        .sorted(Comparator.comparing(Dependency::getDescription));
  }

  private static boolean isOurs(String name) {
    return name.startsWith(ROOT) && !name.startsWith(ROOT + "shaded");
  }

  private static String told(Dependency use) {
    return Stream.of(use.getOriginClass(), use.getTargetClass().getBaseComponentType())
        .map(type -> type.getName().substring(ROOT.length()))
        .collect(Collectors.joining(" uses "));
  }

  private static void check(ArchRule rule) {
    rule.check(CLASSES);
  }

  /** A room and what is internal to it. */
  private static String half(String room) {
    int inner = room.indexOf(".internal");
    return inner < 0 ? room : room.substring(0, inner);
  }

  private static String room(JavaClass type) {
    String name = type.getBaseComponentType().getPackageName();
    return name.length() < ROOT.length() ? "" : name.substring(ROOT.length());
  }
}
