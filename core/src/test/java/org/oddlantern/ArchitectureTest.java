package org.oddlantern;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noFields;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchRule;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.oddlantern.internal.CurrentCase;

/** What holds for the whole of core: who may use whom, no printing, no static state, sizes, javadoc. */
class ArchitectureTest {

  /** Lowest first; a package uses only those before it. Sub-packages count as their parent. */
  private static final List<String> ORDER = List.of(
      "internal",
      "json",
      "xml",
      "payload",
      "http",
      "schema",
      "check",
      "database",
      "config",
      "suite",
      "plan",
      "run");

  private static final JavaClasses CLASSES = new ClassFileImporter()
      .withImportOption(new ImportOption.DoNotIncludeTests())
      .importPackages("org.oddlantern");

  private static final Pattern PUBLIC_TYPE =
      Pattern.compile("(?m)^public (?:\\w+ )*(?:class|interface|record|enum|@interface) \\w+");

  @Test
  void aPackageUsesOnlyThoseBeforeIt() {
    List<String> wrong = new ArrayList<>();
    for (JavaClass type : CLASSES) {
      int own = ORDER.indexOf(room(type));
      type.getDirectDependenciesFromSelf().stream()
          .map(dependency -> dependency.getTargetClass().getBaseComponentType())
          .filter(target -> target.getPackageName().startsWith("org.oddlantern."))
          .filter(target -> ORDER.indexOf(room(target)) > own)
          .forEach(target -> wrong.add(type.getName() + " -> " + target.getName()));
    }
    assertEquals(List.of(), wrong);
    assertEquals(
        ORDER.stream().sorted().toList(),
        CLASSES.stream().map(ArchitectureTest::room).distinct().sorted().toList());
  }

  @Test
  void coreComputesAndNeverPrints() {
    check(noClasses()
        .should()
        .accessField(System.class, "out")
        .orShould()
        .accessField(System.class, "err"));
    check(noClasses().should().callMethod(Throwable.class, "printStackTrace"));
    check(noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "org.oddlantern.reports..", "org.oddlantern.cli..", "picocli..", "gg.jte.."));
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
  void filesStaySmallAndPublicTypesAreExplained() throws IOException {
    List<String> wrong = new ArrayList<>();
    try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
      for (Path file : files.filter(path -> path.toString().endsWith(".java")).toList()) {
        String text = Files.readString(file);
        if (text.lines().count() > 400) {
          wrong.add(file + " has more than 400 lines");
        }
        if (PUBLIC_TYPE.matcher(text).find() && !text.contains("/**")) {
          wrong.add(file + " has a public type without javadoc");
        }
        if (text.contains("%d") && !text.contains("Locale.ROOT")) {
          wrong.add(file + " writes numbers as the machine's language does");
        }
        if (text.contains("Exception()") && text.contains("throw new")) {
          wrong.add(file + " throws without a message");
        }
      }
    }
    assertEquals(List.of(), wrong);
  }

  private static void check(ArchRule rule) {
    rule.check(CLASSES);
  }

  private static String room(JavaClass type) {
    String[] parts = type.getPackageName().split("\\.", 4);
    return parts.length > 2 ? parts[2] : "";
  }
}
