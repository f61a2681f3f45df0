package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AutoClose;
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
import org.oddlantern.json.Secret;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Retries;
import org.oddlantern.suite.SampleFile;
import org.oddlantern.suite.Samples;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.TidyUp;
import org.oddlantern.suite.UsesUp;
import org.oddlantern.testing.TestService;

/** One case over many samples: rule 18, and what is told of samples that cannot be used. */
class SamplesTest {

  @AutoClose
  private final TestService service = new TestService();

  @Test
  void eachSampleIsACaseOfItsOwnAndHandsOnToItsOwnTakers() {
    Trial trial = Trial.of(service, List.of("FlowTest"));
    assertEquals(
        "passed make[heather], passed make[clover], passed read[heather], passed read[clover], "
            + "passed all, passed remove[heather], passed remove[clover]",
        trial.outcomes());
    assertEquals(
        List.of("a hive of heather with 3 frames", "a hive of clover with null frames"),
        trial.cases().stream().limit(2).map(CaseRecord::title).toList());
    assertEquals(
        List.of("read [heather]", "read [clover]"),
        trial.cases().stream().skip(2).limit(2).map(CaseRecord::title).toList());
    assertEquals(
        List.of(
            "GET /keep/heather",
            "POST /hives/heather",
            "GET /keep/clover",
            "POST /hives/clover",
            "GET /hives/heather",
            "GET /hives/clover",
            "GET /all/heather,clover",
            "DELETE /hives/heather",
            "GET /letgo/heather",
            "DELETE /hives/clover",
            "GET /letgo/clover"),
        service.received);
  }

  @Test
  void oneSampleCanBeSelectedByNameTitleOrNumberAndBringsItsOwnMaker() {
    assertEquals(
        "passed make[clover], passed read[clover]",
        Trial.of(service, List.of("FlowTest#read[clover]")).outcomes());
    assertEquals(
        "passed make[heather]", Trial.of(service, List.of("a hive of heather*")).outcomes());
    assertEquals("passed numbered[2]", Trial.of(service, List.of("*#2*")).outcomes());
    assertEquals(
        "passed make[heather], passed make[clover], passed all",
        Trial.of(service, List.of("FlowTest#all")).outcomes());
    String message = assertThrows(
            NothingSelected.class, () -> Trial.of(service, List.of("FlowTest#read[clove]")))
        .getMessage();
    assertTrue(
        message.contains("did you mean SamplesTest$FlowTest#read[clover]?")
            || message.contains("did you mean FlowTest#read[clover]?"),
        message);
  }

  @Test
  void oneSampleThatFailsBlocksItsOwnTakersAndTheList() {
    Trial trial = Trial.of(service, List.of("OneFailsTest"));
    assertEquals(
        "passed make[1], failed make[2], passed read[1], blocked read[2], blocked all",
        trial.outcomes());
  }

  @Test
  void samplesComeFromFilesTypedAsTheirRecord() {
    assertEquals(
        List.of(new Refusal("no label", null, 400, true), new Refusal("too, many", 99, 422, false)),
        SampleFile.read("samples/refusals.csv", Refusal.class));
    assertEquals(
        List.of(new Refusal("a", 1, 400, true)),
        SampleFile.read("samples/refusals.json", Refusal.class));
    assertEquals(
        "samples/unknown.csv, line 1: no component is called 'frame'; there are kind, frames, status, late (did you mean 'frames'?)",
        refused("samples/unknown.csv"));
    assertEquals(
        "samples/misfit.csv, line 4: the cell 'frames' is \"twelve\"; wanted a number",
        refused("samples/misfit.csv"));
    assertTrue(
        refused("samples/misfit.json").startsWith("samples/misfit.json, $[0]: "),
        refused("samples/misfit.json"));
  }

  private static String refused(String file) {
    return assertThrows(IllegalArgumentException.class, () -> SampleFile.read(file, Refusal.class))
        .getMessage();
  }

  @Test
  void whatIsWrongWithSamplesIsToldBeforeAnythingIsSent() {
    assertEquals(
        List.of(
            "#changesOne: it runs once for each sample of SamplesTest$WrongTest#kinds, and each would use up the one value that SamplesTest$WrongTest#one makes",
            "#listOfOne: it takes List<One>, and nothing makes one; SamplesTest$WrongTest#one (P) makes one One, so take that",
            "#names: its title asks for {kidn}, but a sample of SamplesTest$WrongTest#kinds has kind (did you mean 'kind'?)",
            "#none: it gives no samples, so nothing would run that takes one",
            "#notStatic: a method of samples is static and takes nothing, since it is called when the run is planned",
            "#sharedOfSample: it is shared, but depends on the samples of SamplesTest$WrongTest#kinds (P), of which there are several; let it not be shared",
            "#throwing: its samples cannot be had: IllegalStateException: no data",
            "#twice: it takes samples of two methods, SamplesTest$WrongTest#kinds (P) and SamplesTest$WrongTest#others (P); a case runs over the samples of one, so make one method of both",
            "#twoTries: it has @Retries and uses up what SamplesTest$WrongTest#two makes; a second try would meet what the first one left"),
        problems("WrongTest"));
  }

  @Test
  void aSecretInASampleIsNotToldInTitles() {
    Trial trial = Trial.of(service, List.of("HiddenSampleTest"));
    assertEquals("signing in as *** is refused", trial.cases().get(0).title());
  }

  private static List<String> problems(String suite) {
    PlanRefused refused = assertThrows(
        PlanRefused.class,
        () -> new Planner(SamplesTest.class.getClassLoader(), List.of(new Place(Trial.here())))
            .plan(new Selection(List.of(suite))));
    return refused.problems().stream()
        .map(problem -> problem
            .toString()
            .replaceAll("^[^#]*(#\\w+) \\([^)]*\\)", "$1")
            .replaceAll("\\(SamplesTest.java:\\d+\\)", "(P)"))
        .sorted()
        .toList();
  }

  /** A sample as files have it. */
  record Refusal(String kind, @Nullable Integer frames, int status, boolean late) {}

  static class FlowTest {
    record Kind(String name, @Nullable Integer frames) {}

    record HiveId(String text) {}

    record Place(String text) {}

    private final Service api;

    FlowTest(Environment env) {
      api = env.service("api");
    }

    @Samples
    static Stream<Kind> kinds() {
      return Stream.of(new Kind("heather", 3), new Kind("clover", null));
    }

    /** By sample, since it takes one. */
    @Supply
    Place place(Kind kind) {
      api.send(Call.get("/keep/{name}", kind.name())).must(status(200));
      return new Place(kind.name());
    }

    @TidyUp
    void letGo(Place place) {
      api.send(Call.get("/letgo/{name}", place.text())).must(status(200));
    }

    @Case("a hive of {name} with {frames} frames")
    HiveId make(Kind kind, Place place) {
      api.send(Call.post("/hives/{name}", kind.name())).must(status(201));
      return new HiveId(place.text());
    }

    @Case
    void read(HiveId id, Kind kind) {
      assertEquals(kind.name(), id.text());
      api.send(Call.get("/hives/{name}", id.text())).must(status(200));
    }

    @Case
    void all(List<HiveId> ids) {
      api.send(Call.get("/all/" + ids.stream().map(HiveId::text).collect(Collectors.joining(","))))
          .must(status(200));
    }

    @Case
    void remove(@UsesUp HiveId id) {
      api.send(Call.delete("/hives/{name}", id.text())).must(status(204));
    }
  }

  static class NumberedTest {
    record Twin(String name, int number) {}

    @Samples
    static List<Twin> twins() {
      return List.of(new Twin("same", 1), new Twin("same", 2));
    }

    @Case("twin #{number}")
    void numbered(Twin twin, Environment env) {
      env.service("api").send(Call.get("/twin")).must(status(200));
    }
  }

  static class OneFailsTest {
    record Count(int value) {}

    record Made(int value) {}

    @Samples
    static List<Count> numbers() {
      return List.of(new Count(1), new Count(2));
    }

    @Case
    Made make(Count number, Environment env) {
      env.service("api").send(Call.get("/x")).must(holds("is the first", number.value() == 1));
      return new Made(number.value());
    }

    @Case
    void read(Made made, Environment env) {
      env.service("api").send(Call.get("/x")).must(status(200));
    }

    @Case
    void all(List<Made> made) {}
  }

  static class HiddenSampleTest {
    record Token(Secret token) {}

    @Samples
    static List<Token> tokens() {
      return List.of(new Token(Secret.of("open-sesame-4711")));
    }

    @Case("signing in as {token} is refused")
    void refused(Token token, Environment env) {
      env.service("api").send(Call.get("/x")).must(status(200));
    }
  }

  static class WrongTest {
    record Kind(String kind) {}

    record Other(String kind) {}

    record Nothing(String kind) {}

    record Broken(String kind) {}

    record NotStatic(String kind) {}

    record One(int value) {}

    record Two(int value) {}

    record Shared(int value) {}

    @Samples
    static List<Kind> kinds() {
      return List.of(new Kind("a"));
    }

    @Samples
    static List<Other> others() {
      return List.of(new Other("a"));
    }

    @Samples
    static List<Nothing> none() {
      return List.of();
    }

    @Samples
    static List<Broken> throwing() {
      throw new IllegalStateException("no data");
    }

    @Samples
    List<NotStatic> notStatic() {
      return List.of();
    }

    @Supply(shared = true)
    static Shared sharedOfSample(Kind kind) {
      return new Shared(1);
    }

    @Case
    One one() {
      return new One(1);
    }

    @Case
    Two two() {
      return new Two(1);
    }

    @Case
    void changesOne(@UsesUp One one, Kind kind) {}

    @Case
    @Retries(1)
    void twoTries(@UsesUp Two two) {}

    @Case
    void twice(Kind kind, Other other) {}

    @Case("{kidn}")
    void names(Kind kind) {}

    @Case
    void listOfOne(List<One> ones) {}

    @Case
    void takesNothing(Nothing nothing) {}

    @Case
    void takesBroken(Broken broken) {}

    @Case
    void takesNotStatic(NotStatic sample) {}

    @Case
    void takesShared(Shared shared) {}
  }
}
