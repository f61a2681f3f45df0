package org.oddlantern.internal.plan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.URISyntaxException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Reply;
import org.oddlantern.payload.Fresh;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Changes;
import org.oddlantern.suite.MadeBy;
import org.oddlantern.suite.UsesUp;

/** The rules for values, on signatures alone: no method of these suites is ever called. */
class PlannerTest {

  // ---- order: rules 10, 11 and 13

  @Test
  void readersComeBeforeTheNextChangeTheyDoNotKnowAndTheRemoverComesLast() {
    Plan plan = plan("OrderedChanges");
    assertEquals(List.of("make", "read"), after(plan, "rename"));
    assertEquals(
        List.of("make", "read", "readDerived", "readNewName", "rename"), after(plan, "paint"));
    assertEquals(
        List.of("make", "paint", "read", "readDerived", "readNewName", "rename"),
        after(plan, "removeFirstInSource"));
    assertEquals(List.of("make", "rename"), after(plan, "readNewName"));
  }

  @Test
  void whoTakesWhatTheRemovalReturnsRunsAfterIt() {
    Plan plan = plan("UsedUpThenLookedAt");
    assertEquals(List.of("isThere", "make"), after(plan, "remove"));
    assertEquals(List.of("make", "remove"), after(plan, "isGone"));
  }

  // ---- selection: rule 9

  @Test
  void aReaderPullsInItsMakerButNoChangerAndNoRemover() {
    Plan plan = plan("OrderedChanges#read");
    assertEquals(List.of("make needed", "read"), words(plan));
    assertEquals(
        List.of("make needed", "readNewName", "rename needed"),
        words(plan("OrderedChanges#readNewName")));
  }

  @Test
  void casesAreSelectedByClassMethodOrTitle() {
    assertEquals(
        List.of("make", "read"), words(plan("OrderedChanges#read", "OrderedChanges#make")));
    assertEquals(List.of("titled"), words(plan("the * is read ALOUD")));
    assertEquals(
        "no case is called OrderedChange (did you mean OrderedChanges?); there are N cases, which 'odd-lantern list' shows",
        assertThrows(NothingSelected.class, () -> plan("OrderedChange"))
            .getMessage()
            .replaceAll("\\d+", "N"));
    Map<String, String> hints = Map.of(
        "OrderedChangesIT", "did you mean OrderedChanges?",
        "OrderedChanges.read", "did you mean OrderedChanges#read?",
        "OrderedChanges#raed", "did you mean OrderedChanges#read?",
        "OrderedChanges#zzzzzz", "OrderedChanges has ",
        "OrderedChanges#read[7]", "OrderedChanges#read has no samples",
        "eredChang", "did you mean OrderedChanges?",
        "is read", "did you mean '*is read*'?");
    hints.forEach((asked, hint) -> assertTrue(
        assertThrows(NothingSelected.class, () -> plan(asked)).getMessage().contains("(" + hint),
        asked));
    assertFalse(
        assertThrows(NothingSelected.class, () -> plan("qqqq")).getMessage().contains("("),
        "nothing is near");
  }

  // ---- where makers are looked for: rules 2 and 3

  @Test
  void aMakerIsLookedForFromTheInsideOutAndWhereTheTypeLives() {
    assertEquals(List.of("near"), after(plan("Near#takesFromItself"), "takesFromItself"));
    assertEquals(List.of("outer"), after(plan("Far#takesFromOuter"), "takesFromOuter"));
    assertEquals(List.of("label"), after(plan("Far#takesBeside"), "takesBeside"));
    assertEquals(
        List.of("outer"),
        after(plan("Elsewhere#takesWhereTheTypeLives"), "takesWhereTheTypeLives"));
    assertEquals(List.of("near"), after(plan("Elsewhere#takesAsNamed"), "takesAsNamed"));
  }

  @Test
  void anInheritedCaseBelongsToEachConcreteClass() {
    assertEquals(List.of("inherited", "takesInherited"), words(plan("First")));
    assertEquals(List.of("inherited", "own", "takesInherited"), words(plan("Second")));
    assertEquals(
        "Stranger#takes (S:L): it takes Removed, which only the abstract class of Base#inherited (S:L) makes; name a class that extends it: @MadeBy(Suite.class) Removed",
        problem("Stranger"));
  }

  @Test
  void aConstructorTakesForEveryCaseOfItsClass() {
    assertEquals(List.of("make"), after(plan("TakesInConstructor#one"), "one"));
  }

  // ---- problems: rules 1, 3, 4, 6, 11

  @Test
  void everyProblemIsToldWithPlaceCandidatesAndTheWayOut() {
    assertEquals(
        "Ambiguous#takes (S:L): it takes Hive, and 3 cases in one place make one: Ambiguous#a (S:L) and Ambiguous#b (S:L) and Ambiguous#update (S:L). Give each its own record, or name the class with @MadeBy",
        problem("Ambiguous#takes"));
    assertEquals(
        "SelfMade#make (S:L): it takes Hive, and nothing makes one. Searched: SelfMade, Hive. This case itself returns one, but no case makes what it takes; let it return a record of its own",
        problem("SelfMade"));
    assertEquals(
        "Circle#hive (S:L): it is part of a circle, each takes what the next one makes: Circle#hive -> Circle#label -> Circle#hive",
        problem("Circle"));
    assertEquals(
        "Crossed#changesAReadsB (S:L): it is part of a circle, each would have to run after the next one; one changes or uses up what another still reads: Crossed#changesAReadsB -> Crossed#changesBReadsA -> Crossed#changesAReadsB",
        problem("Crossed"));
    assertEquals(
        "TwoRemovers#two (S:L): it uses up what TwoRemovers#make makes, and so does TwoRemovers#one; a value is used up once",
        problem("TwoRemovers"));
    assertEquals(
        "ChangesWhatIsGone#late (S:L): it changes what ChangesWhatIsGone#remove has used up by then",
        problem("ChangesWhatIsGone"));
    assertEquals(
        "TwoConstructors#one (S:L): TwoConstructors has 2 constructors; a suite has one, so that it is clear what it takes",
        problem("TwoConstructors"));
  }

  @Test
  void allProblemsAreToldAtOnce() {
    String message = assertThrows(PlanRefused.class, () -> plan("BadTypes")).getMessage();
    assertTrue(message.startsWith("the plan has 8 problems; nothing was sent:\n"), message);
    for (String part : List.of(
        "BadTypes#number (PlannerTest.java:",
        "it returns int, which cannot be handed",
        "it returns List<String>, which cannot be handed",
        "it takes Reply, which cannot be handed",
        "it takes Map<Hive, ?>, which cannot be handed",
        "it takes T, which cannot be handed",
        "it takes Label twice; a value is taken by its type, so give each its own record",
        "it takes Environment with @Changes or @UsesUp")) {
      assertTrue(message.contains(part), () -> part + "\nis not in\n" + message);
    }
  }

  @Test
  void aSuiteTheOrdinaryBuildPassesOverIsWarnedOf() {
    List<String> warnings = plan("OddlyNamed").warnings();
    assertTrue(
        warnings.contains(
            "the ordinary build passes over the suite OddlyNamed, whose name does not end in Test"),
        warnings::toString);
    assertTrue(
        warnings.stream().noneMatch(warning -> warning.contains("WellNamedTest")),
        warnings::toString);
  }

  private static Plan plan(String... cases) {
    return new Planner(PlannerTest.class.getClassLoader(), List.of(here()))
        .plan(new Selection(List.of(cases)));
  }

  private static String problem(String suite) {
    PlanRefused refused = assertThrows(PlanRefused.class, () -> plan(suite));
    return refused.problems().stream()
        .map(problem -> problem.toString().replaceAll("PlannerTest\\.java:\\d+", "S:L"))
        .collect(Collectors.joining("\n"));
  }

  /** The cases a case waits for, directly or not, by method, sorted. */
  private static List<String> after(Plan plan, String method) {
    return plan.cases().stream()
        .filter(one -> name(one).equals(method))
        .flatMap(one -> one.after().stream())
        .map(before -> name(plan.cases().get(before)))
        .sorted()
        .toList();
  }

  private static List<String> words(Plan plan) {
    return plan.cases().stream()
        .map(one -> name(one) + (one.needed() ? " needed" : ""))
        .sorted()
        .toList();
  }

  private static String name(PlannedCase one) {
    return one.definition().id().method();
  }

  private static Place here() {
    try {
      return new Place(Path.of(
          PlannerTest.class.getProtectionDomain().getCodeSource().getLocation().toURI()));
    } catch (URISyntaxException e) {
      throw new IllegalStateException("the test classes lie in no folder: " + e.getMessage(), e);
    }
  }
}

/** A suite that the ordinary build finds. */
class WellNamedTest {
  @Case
  void one() {}
}

/** A suite whose name the ordinary build passes over. */
class OddlyNamed {
  @Case
  void one() {}
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class OrderedChanges {
  @Case
  void removeFirstInSource(@UsesUp Hive hive) {}

  @Case
  Label rename(@Changes Hive hive) {
    return new Label("");
  }

  @Case
  void paint(@Changes Hive hive) {}

  @Case
  void read(Hive hive) {}

  @Case
  void readNewName(Hive hive, Label label) {}

  @Case
  void readDerived(Label label) {}

  @Case
  Hive make() {
    return new Hive(1);
  }
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class UsedUpThenLookedAt {
  @Case
  Hive make() {
    return new Hive(1);
  }

  @Case
  void isGone(Hive hive, Removed removed) {}

  @Case
  Removed remove(@UsesUp Hive hive) {
    return new Removed(1);
  }

  @Case
  void isThere(Hive hive) {}
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class Titled {
  @Case("the title is read aloud")
  void titled() {}
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class Outer {
  record Own(int id) {}

  @Case
  Own outer() {
    return new Own(1);
  }

  class Near {
    @Case
    Own near() {
      return new Own(2);
    }

    @Case
    void takesFromItself(Own own) {}
  }

  class Far {
    @Case
    void takesFromOuter(Own own) {}

    @Case
    void takesBeside(Label label) {}
  }

  class Beside {
    @Case
    Label label() {
      return new Label("");
    }
  }
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class Elsewhere {
  @Case
  void takesWhereTheTypeLives(Outer.Own own) {}

  @Case
  void takesAsNamed(@MadeBy(Outer.Near.class) Outer.Own own) {}
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
abstract class Base {
  @Case
  Removed inherited() {
    return new Removed(1);
  }

  @Case
  void takesInherited(Removed removed) {}
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class First extends Base {}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class Second extends Base {
  @Case
  void own() {}
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class Stranger {
  @Case
  void takes(@MadeBy(Base.class) Removed removed) {}
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class TakesInConstructor {
  TakesInConstructor(Environment env, Hive hive, Fresh fresh) {}

  @Case
  void one() {}

  static class Maker {
    @Case
    Hive make() {
      return new Hive(1);
    }
  }
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class Ambiguous {
  @Case
  Hive a() {
    return new Hive(1);
  }

  @Case
  Hive b() {
    return new Hive(2);
  }

  @Case
  void takes(Hive hive) {}

  @Case
  Hive update(Hive hive) {
    return hive;
  }
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class SelfMade {
  @Case
  Hive make(Hive hive) {
    return hive;
  }
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class Missing {
  @Case
  void takes(Label label) {}
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class BadTypes {
  @Case
  int number() {
    return 1;
  }

  @Case
  List<String> texts() {
    return List.of();
  }

  @Case
  void takesReply(Reply reply) {}

  @Case
  void takesWild(Map<Hive, ?> hives) {}

  @Case
  <T> void takesVariable(T any) {}

  @Case
  void twice(Label a, Label b) {}

  @Case
  void marked(@Changes Environment env) {}

  @Case
  Reply handsNothingOn() {
    throw new UnsupportedOperationException("never called");
  }
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class Circle {
  @Case
  Hive hive(Label label) {
    return new Hive(1);
  }

  @Case
  Label label(Hive hive) {
    return new Label("");
  }
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class Crossed {
  record A() {}

  record B() {}

  @Case
  A a() {
    return new A();
  }

  @Case
  B b() {
    return new B();
  }

  @Case
  void changesAReadsB(@Changes A a, B b) {}

  @Case
  void changesBReadsA(A a, @Changes B b) {}
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class TwoRemovers {
  @Case
  Hive make() {
    return new Hive(1);
  }

  @Case
  void one(@UsesUp Hive hive) {}

  @Case
  void two(@UsesUp Hive hive) {}
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class ChangesWhatIsGone {
  @Case
  Hive make() {
    return new Hive(1);
  }

  @Case
  Removed remove(@UsesUp Hive hive) {
    return new Removed(1);
  }

  @Case
  void late(@Changes Hive hive, Removed removed) {}
}

@SuppressWarnings({"unused", "ClassCanBeStatic"}) // sections are inner classes
class TwoConstructors {
  TwoConstructors() {}

  TwoConstructors(Environment env) {}

  @Case
  void one() {}
}

record Hive(int id) {}

record Label(String text) {}

record Removed(int id) {}
