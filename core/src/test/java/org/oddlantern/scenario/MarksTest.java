package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.plan.NothingSelected;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.PlanRefused;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.KnownFault;
import org.oddlantern.suite.Pending;
import org.oddlantern.suite.Skipped;
import org.oddlantern.suite.Tagged;
import org.oddlantern.testing.TestService;

/** Marks that keep a case from running, expect its failure, or choose it (rules 9 and 15). */
class MarksTest {

  @Test
  void whatDoesNotRunSkipsWhatTakesItsValueAndTheBuildStaysGreen() throws Exception {
    try (TestService service = new TestService()) {
      Trial trial = Trial.of(service, List.of("SkippedMakersTest"));
      assertEquals(
          "skipped skippedOne, pending pendingOne, known fault knownFault, skipped takesSkipped, "
              + "skipped takesPending, skipped takesKnownFault, skipped takesTaker",
          trial.outcomes());
      assertEquals("the mail server moves, until 2999-01-01", message(trial, "skippedOne"));
      String cause =
          "MarksTest.SkippedMakersTest#skippedOne is skipped, so its value is missing: 'skippedOne'";
      assertEquals(cause, message(trial, "takesSkipped").replace("$", "."));
      assertEquals(cause, message(trial, "takesTaker").replace("$", "."), "the first cause");
      assertTrue(message(trial, "takesKnownFault").contains("is a known fault"));
      assertEquals("BEE-17", trial.one("knownFault").knownFault());
      assertTrue(trial.result().isGreen());
    }
  }

  @Test
  void blockedComesBeforeSkipped() throws Exception {
    try (TestService service = new TestService()) {
      Trial trial = Trial.of(service, List.of("BothTest"));
      assertEquals(Outcome.BLOCKED, trial.one("takesBoth").outcome());
      assertFalse(trial.result().isGreen());
    }
  }

  @Test
  void aDayThatHasPassedFailsAndAFaultThatIsFixedIsMarked() throws Exception {
    try (TestService service = new TestService()) {
      Trial trial = Trial.of(service, List.of("OverdueTest"));
      assertEquals(
          "it was not to run until 2020-01-01 (it is cold), and that day has passed: let it run again, or move the day",
          message(trial, "overdue"));
      assertEquals(Outcome.FAILED, trial.one("overdue").outcome());
      assertEquals(Outcome.PASSED, trial.one("fixed").outcome());
      assertEquals(List.of(Mark.FIXED), trial.one("fixed").marks());
      assertEquals(Outcome.PASSED, trial.one("takesFixed").outcome());
      assertEquals(Outcome.ERRORED, trial.one("errored").outcome(), "no fault anybody knows");
    }
  }

  @Test
  void whatDoesNotRunNeedsNothing() {
    assertEquals(List.of("needsNothing"), methods(new Selection(List.of("NeedingTest"))));
  }

  @Test
  void aWholeRunOfSkippedCasesRanNothing() throws Exception {
    try (TestService service = new TestService()) {
      Trial trial = Trial.of(service, List.of("NeedingTest"));
      assertTrue(trial.result().isGreen());
      assertFalse(trial.result().ran());
    }
  }

  // ---- tags

  @Test
  void tagsAreInheritedFromAroundAndFromAbove() {
    assertEquals(List.of("inSection", "plain", "slow"), tagged(List.of("smoke"), List.of()));
    assertEquals(List.of("inSection", "plain"), tagged(List.of("smoke"), List.of("slow", "gone")));
    assertEquals(List.of("heir", "slow"), tagged(List.of("slow", "inherited"), List.of()));
    assertEquals(
        List.of("inSection"),
        methods(new Selection(List.of("Inner"), List.of("smoke"), List.of(), null)),
        "different options must hold together");
  }

  @Test
  void tagsThatFitNothingNameTheNearest() {
    NothingSelected nothing =
        assertThrows(NothingSelected.class, () -> tagged(List.of("smok"), List.of("slow")));
    assertEquals(
        "no case that was asked for is tagged smok and is not tagged slow (did you mean smoke?); the tags are inherited, slow, smoke",
        nothing.getMessage());
  }

  @Test
  void casesAreChosenByTheirFullNames() {
    Set<String> ids = Set.of("org.oddlantern.scenario.MarksTest$TaggedTest#plain");
    assertEquals(List.of("plain"), methods(new Selection(List.of(), List.of(), List.of(), ids)));
  }

  @Test
  void casesAreChosenByTheirPackages() {
    for (String entry : List.of("scenario.*", "org.oddlantern.scenario.*", "oddlantern.*")) {
      assertEquals(
          List.of("inSection", "plain"),
          methods(new Selection(List.of(entry), List.of("smoke"), List.of("slow"), null)),
          entry);
    }
    Selection elsewhere = new Selection(List.of("scenari.*"), List.of("smoke"), List.of(), null);
    assertThrows(NothingSelected.class, () -> methods(elsewhere));
  }

  @Test
  void marksThatSayNothingAreProblemsOfThePlan() {
    PlanRefused refused =
        assertThrows(PlanRefused.class, () -> methods(new Selection(List.of("BadMarks"))));
    String problems = refused.problems().stream()
        .map(problem -> problem.message())
        .collect(Collectors.joining("\n"));
    assertEquals("""
        @Skipped needs a reason, so that somebody can take it off again
        @Skipped is until 'soon'; write the day like 2026-12-01
        @KnownFault needs a reference, like the number of an issue
        it has both @KnownFault and @Pending; what is not written has no known fault
        the tag 'a b' must be a word without blanks and commas""", problems);
  }

  private static List<String> tagged(List<String> tags, List<String> without) {
    return methods(new Selection(List.of("TaggedTest", "HeirTest"), tags, without, null));
  }

  private static List<String> methods(Selection selection) {
    return new Planner(MarksTest.class.getClassLoader(), List.of(new Place(Trial.here())))
        .plan(selection).cases().stream()
            .map(one -> one.definition().id().method())
            .sorted()
            .toList();
  }

  private static String message(Trial trial, String method) {
    CaseRecord one = trial.one(method);
    return one.problem() == null ? "" : one.problem().message();
  }

  static class SkippedMakersTest {
    record Early(String text) {}

    record Written(String text) {}

    record Faulty(String text) {}

    record Late(String text) {}

    @Case
    @Skipped(why = "the mail server moves", until = "2999-01-01")
    Early skippedOne() {
      throw new IllegalStateException("it must not run");
    }

    @Case
    @Pending
    Written pendingOne() {
      throw new IllegalStateException("it must not run");
    }

    @Case
    @KnownFault("BEE-17")
    Faulty knownFault() {
      throw new AssertionError("as known");
    }

    @Case
    Late takesSkipped(Early early) {
      throw new IllegalStateException("it must not run");
    }

    @Case
    void takesPending(Written written) {}

    @Case
    void takesKnownFault(Faulty faulty) {}

    @Case
    void takesTaker(Late late) {}
  }

  static class BothTest {
    record Rainy(String text) {}

    record Broken(String text) {}

    @Case
    @Skipped(why = "it rains")
    Rainy rainy() {
      return new Rainy("");
    }

    @Case
    Broken broken() {
      throw new AssertionError("broken");
    }

    @Case
    void takesBoth(Rainy rainy, Broken broken) {}
  }

  static class OverdueTest {
    record Made(String text) {}

    private final Service api;

    OverdueTest(Environment env) {
      api = env.service("api");
    }

    @Case
    @Skipped(why = "it is cold", until = "2020-01-01")
    void overdue() {}

    @Case
    @KnownFault("BEE-18")
    Made fixed() {
      api.send(Call.get("/")).must(status(200), at("$.path", anyText()));
      return new Made("");
    }

    @Case
    void takesFixed(Made made) {
      api.send(Call.get("/")).must(status(200));
    }

    @Case
    @KnownFault("BEE-19")
    void errored() {
      throw new IllegalStateException("something else");
    }
  }

  static class NeedingTest {
    @Case
    @Skipped(why = "it needs what nobody makes")
    void needsNothing(SkippedMakersTest.Early early) {}
  }

  @Tagged("smoke")
  static class TaggedTest {
    @Case
    void plain() {}

    @Case
    @Tagged({"slow", "slow"})
    void slow() {}

    static class Inner {
      @Case
      void inSection() {}
    }
  }

  @Tagged("inherited")
  abstract static class Ancestor {
    @Case
    void heir() {}
  }

  static class HeirTest extends Ancestor {}

  static class BadMarks {
    @Case
    @Skipped(why = " ", until = "soon")
    void noReason() {}

    @Case
    @Pending
    @KnownFault("")
    void noReference() {}

    @Case
    @Tagged("a b")
    void badTag() {}
  }
}
