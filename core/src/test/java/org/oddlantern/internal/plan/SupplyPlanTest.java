package org.oddlantern.internal.plan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.URISyntaxException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.oddlantern.config.Environment;
import org.oddlantern.suite.Alone;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Changes;
import org.oddlantern.suite.OnEnvironment;
import org.oddlantern.suite.Retries;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.TidyUp;
import org.oddlantern.suite.UsesUp;

/** Supplies and tidy-ups on signatures alone: rules 2 to 8, 11, 20 and 24. */
class SupplyPlanTest {

  @Test
  void whatIsWrongWithSuppliesIsToldWithPlaceAndWayOut() {
    assertEquals(
        List.of(
            "#a: it is part of a circle, each takes what the next one makes: Wrong#a -> Wrong#b -> Wrong#a",
            "#ambiguous: it takes Two, and 2 methods in one place make one: Wrong#two (P) and Wrong#twoAgain (P). Give each its own record, or name the class with @MadeBy",
            "#both: it is marked as more than one of @Case, @Supply, @Samples and @TidyUp; a method is one of them",
            "#gives: it takes Two with @Changes or @UsesUp; these marks belong on the parameters of cases, for values that cases and supplies make",
            "#gives: what it makes, Tidied, is put back by two methods in one place: Wrong#tidyOne (P) and Wrong#tidyAnother (P). Keep one",
            "#marked: @Alone is on a method that is no case, where it means nothing",
            "#removerTwo: it uses up what Wrong#shared makes, and so does Wrong#removerOne; a value is used up once",
            "#self: it takes Self, and nothing makes one. Searched: Wrong, SupplyPlanTest, the sections beside it. This supply itself returns one, but no supply makes what it takes; make it static, or let it return a record of its own",
            "#tidy: it takes Three, but what puts a value back takes the value, an Environment, Fresh and shared supplies"),
        problems("Wrong"));
  }

  @Test
  void marksOfAnotherTestFrameworkAreToldWithOurs() {
    assertEquals(
        List.of(
            "SupplyPlanTest$Foreign (SupplyPlanTest.java): it is marked with @Tag of another test framework, which does nothing here; tags are given with @Tagged",
            "SupplyPlanTest$Foreign#before (P): it is marked with @BeforeEach of another test framework, which does nothing here; the constructor runs before each case, and close() of an AutoCloseable suite after it",
            "SupplyPlanTest$Foreign#test (P): it is marked with @Disabled of another test framework, which does nothing here; a case that is not to run is marked with @Skipped",
            "SupplyPlanTest$Foreign#test (P): it is marked with @Test of another test framework, which does nothing here; a case is marked with @Case"),
        assertThrows(PlanRefused.class, () -> plan("Foreign")).problems().stream()
            .map(problem -> problem.toString().replaceAll("\\(SupplyPlanTest.java:\\d+\\)", "(P)"))
            .sorted()
            .toList());
  }

  @Test
  void aSuiteOnAnotherEnvironmentHasSuppliesOfItsOwnThere() {
    Plan plan = plan("Pinned");
    assertEquals(
        List.of("SupplyPlanTest$Plain#shared@staging", "SupplyPlanTest$Pinned#pinned"),
        plan.nodes().stream().map(node -> node.bound().maker().name()).toList());
    assertEquals("staging", plan.nodes().get(0).bound().maker().environment());
    String refused = assertThrows(PlanRefused.class, () -> plan("TakesPinned")).getMessage();
    assertTrue(refused.contains("which is pinned to the environment 'staging'"), refused);
  }

  @Test
  void aCaseThatIsTriedAgainCannotChangeWhatOthersShareButItsOwn() {
    assertEquals(
        List.of(
            "#shared: it has @Retries and changes what Retried#make makes; a second try would meet what the first one left"),
        problems("Retried"));
  }

  @Test
  void fieldsThatCasesAssignAreWarnedOf() {
    List<String> warnings = plan("Plain").warnings().stream()
        .filter(warning -> warning.contains("Assigning"))
        .map(warning -> warning.replaceAll(":\\d+", ":N"))
        .toList();
    assertEquals(
        List.of(
            "SupplyPlanTest$Assigning assigns the field 'carried' in one (SupplyPlanTest.java:N); each case has an instance of its own, so return the value instead"),
        warnings.stream().filter(warning -> warning.contains("assigns")).toList());
  }

  @Test
  void partsAreDealtBiggestFirstByWhatIsKnown() {
    Map<String, Long> known = Map.of(
        id("longest"), 9L, id("long1"), 4L, id("long2"), 4L, id("short1"), 1L, id("short2"), 1L);
    assertEquals("longest short2", part(1, known), "ties to the first");
    assertEquals("long1 long2 short1", part(2, known));
    assertEquals("long1 longest short2", part(1, Map.of()), "by count, ties by name");
    assertEquals("long2 short1", part(2, Map.of()));
  }

  private static String part(int number, Map<String, Long> known) {
    return planner()
        .plan(new Selection(List.of("Dealt")), new RunPart(number, 2, known), name -> {})
        .cases()
        .stream()
        .map(one -> one.definition().id().method())
        .sorted()
        .collect(Collectors.joining(" "));
  }

  private static String id(String method) {
    return Dealt.class.getName() + "#" + method;
  }

  private static Plan plan(String selected) {
    return planner().plan(new Selection(List.of(selected)));
  }

  private static Planner planner() {
    try {
      Path here = Path.of(SupplyPlanTest.class
          .getProtectionDomain()
          .getCodeSource()
          .getLocation()
          .toURI());
      return new Planner(SupplyPlanTest.class.getClassLoader(), List.of(new Place(here)));
    } catch (URISyntaxException e) {
      throw new IllegalStateException("the test classes lie in no folder: " + e.getMessage(), e);
    }
  }

  private static List<String> problems(String selected) {
    return assertThrows(PlanRefused.class, () -> plan(selected)).problems().stream()
        .map(problem -> problem
            .toString()
            .replaceAll("SupplyPlanTest\\$", "")
            .replaceAll("^[^#]*(#\\w+) \\([^)]*\\)", "$1")
            .replaceAll("\\(SupplyPlanTest.java:\\d+\\)", "(P)"))
        .sorted()
        .toList();
  }

  static class Wrong {
    record A(int id) {}

    record B(int id) {}

    record Two(int id) {}

    record Three(int id) {}

    record Tidied(int id) {}

    record Self(int id) {}

    record Shared(int id) {}

    record Marked(int id) {}

    static class SelfMade {
      SelfMade(Self self) {}
    }

    @Supply
    static A a(B b) {
      return new A(b.id());
    }

    @Supply
    static B b(A a) {
      return new B(a.id());
    }

    @Supply
    static Two two() {
      return new Two(2);
    }

    @Supply(shared = true)
    static Two twoAgain() {
      return new Two(2);
    }

    @Supply
    static Three three() {
      return new Three(3);
    }

    @Supply
    static Self self(Self self) {
      return self;
    }

    @Supply(shared = true)
    static Shared shared() {
      return new Shared(1);
    }

    @Supply
    @Alone
    static Marked marked() {
      return new Marked(1);
    }

    @Supply
    static Tidied gives(@Changes Two changed) {
      return new Tidied(1);
    }

    @TidyUp
    static void tidyOne(Tidied tidied) {}

    @TidyUp
    static void tidyAnother(Tidied tidied) {}

    @TidyUp
    static void tidy(Shared shared, Three three) {}

    @Case
    void takesA(A a) {}

    @Case
    void ambiguous(Two two) {}

    @Case
    @TidyUp
    void both(Self self) {}

    @Case
    void takesTidied(Tidied tidied) {}

    @Case
    void takesMarked(Marked marked) {}

    @Case
    void removerOne(@UsesUp Shared shared) {}

    @Case
    void removerTwo(@UsesUp Shared shared) {}
  }

  @org.junit.jupiter.api.Tag("slow")
  static class Foreign {
    @org.junit.jupiter.api.BeforeEach
    void before() {}

    @Case
    void one() {}

    @org.junit.jupiter.api.Test
    @org.junit.jupiter.api.Disabled("it only carries the mark")
    void test() {}
  }

  static class Plain {
    record Yard(int id) {}

    @Supply(shared = true)
    static Yard shared(Environment env) {
      return new Yard(1);
    }

    @Case
    void plain(Yard yard) {}
  }

  @OnEnvironment("staging")
  static class Pinned {
    record Own(int id) {}

    @Case
    Own pinned(Plain.Yard yard) {
      return new Own(yard.id());
    }
  }

  static class TakesPinned {
    @Case
    void takes(Pinned.Own own) {}
  }

  static class Retried {
    record Made(int id) {}

    record Own(int id) {}

    @Supply
    static Own ownSupply() {
      return new Own(1);
    }

    @Case
    Made make() {
      return new Made(1);
    }

    @Case
    @Retries(1)
    void shared(@Changes Made made) {}

    @Case
    @Retries(1)
    void own(@UsesUp Own own) {}
  }

  static class Assigning {
    private int carried;
    private final int fixed;

    Assigning() {
      fixed = 1;
    }

    @Case
    void one() {
      carried = fixed;
    }

    @Case
    void two() {
      assertEquals(0, carried);
    }
  }

  static class Dealt {
    @Case
    void longest() {}

    @Case
    void long1() {}

    @Case
    void long2() {}

    @Case
    void short1() {}

    @Case
    void short2() {}
  }
}
