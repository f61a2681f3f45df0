package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.holds;
import static org.oddlantern.check.Checks.status;

import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.PlanRefused;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.TidyUp;
import org.oddlantern.testing.TestService;

/** Suites that inherit cases of a type which only the concrete class names. */
class GenericSuiteTest {

  record Hive(int id) {}

  record Box<X>(X content) {}

  @Test
  void aTypeVariableIsWhatTheConcreteClassSays() throws IOException {
    try (TestService service = new TestService()) {
      Trial trial = Trial.of(service, List.of("HiveTypedTest"));
      assertEquals(
          "passed makes, passed reads, passed boxed, passed sampled[0], passed sampled[1]",
          trial.outcomes());
      assertEquals(
          List.of("tidy up with HiveTypedTest#empties"),
          trial.putBacks().stream()
              .map(one -> one.deed().replaceAll("GenericSuiteTest\\$", ""))
              .distinct()
              .toList());
    }
  }

  @Test
  void aTypeVariableThatNobodyNamesIsAProblemOfThePlan() {
    Planner planner =
        new Planner(GenericSuiteTest.class.getClassLoader(), List.of(new Place(Trial.here())));
    List<String> problems = assertThrows(
            PlanRefused.class, () -> planner.plan(new Selection(List.of("UntypedTest"))))
        .problems()
        .stream()
        .map(Object::toString)
        .toList();
    assertTrue(
        problems.stream()
            .anyMatch(one -> one.contains("#makes") && one.contains("it returns T, which")),
        problems::toString);
  }

  abstract static class Base<T, U> {
    abstract T made();

    @Case
    T makes(Environment env) {
      env.service("api").send(Call.get("/a")).must(status(200));
      return made();
    }

    @Case
    void reads(T value, Environment env) {
      env.service("api").send(Call.get("/a")).must(holds("it is there", value.equals(made())));
    }

    @Case
    void boxed(Box<T> box, Environment env) {
      env.service("api")
          .send(Call.get("/a"))
          .must(holds("it is in", box.content().equals(made())));
    }

    @Case
    void sampled(U sample, Environment env) {
      env.service("api").send(Call.get("/a")).must(holds("it is one", sample != null));
    }

    @TidyUp
    void empties(Box<T> box) {}
  }

  abstract static class Middle<S> extends Base<Hive, S> {
    @Supply(value = "a box", shared = true)
    Box<Hive> box() {
      return new Box<>(made());
    }
  }

  static class HiveTypedTest extends Middle<HiveTypedTest.Row> {
    record Row(int number) {}

    @Samples
    static List<Row> rows() {
      return List.of(new Row(0), new Row(1));
    }

    @Override
    Hive made() {
      return new Hive(7);
    }
  }

  @SuppressWarnings("rawtypes")
  static class UntypedTest extends Base {
    @Override
    Object made() {
      return "x";
    }
  }
}
