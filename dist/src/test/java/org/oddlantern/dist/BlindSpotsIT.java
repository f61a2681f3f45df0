package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What nobody would notice, from the command line to the files, on the demo. */
class BlindSpotsIT {

  @TempDir
  Path folder;

  /** Cases go as ever, in as many lanes as one likes the same is told, and so it is by a journal alone. */
  @Test
  void theSameIsToldInAnyNumberOfLanes() throws Exception {
    Command.Output plain = demo("--out", "plain");
    Command.Output one = demo("--out", "one", "--blind-spots");
    Command.Output four = demo("--out", "four", "--blind-spots", "--lanes", "4");
    assertEquals(
        List.of(0, 0, 0),
        List.of(plain.status(), one.status(), four.status()),
        plain.out() + one.out() + four.out());
    assertEquals(cases(plain), cases(one));
    Map<String, String> places = places("one");
    assertTrue(places.size() > 150, places.toString());
    assertEquals(withoutItems(places), withoutItems(places("four")));
    assertEquals("by value", places.get("GET /hives/{id} 200 $.keeper"));
    assertEquals("by kind", places.get("GET /hives 200 $.total"));
    assertTrue(
        one.out().matches("(?s).*\nwatched   \\d+ of \\d+ places are watched \\(\\d\\d %\\).*"),
        one.out());
    assertEquals(List.of(), known("one"), "what cases of the demo know, they check");
    assertLinesCompile("one");
    String before = Files.readString(folder.resolve("one/blind-spots.json"));
    Command.Output again = Command.in(folder).run("report", "one", "--out", "again");
    assertEquals(0, again.status(), again.out());
    assertEquals(before, Files.readString(folder.resolve("again/blind-spots.json")));
    assertTrue(Files.exists(folder.resolve("again/report/blind-spots.html")));
  }

  @Test
  void aThresholdThatIsNotReachedEndsWithOne() throws Exception {
    Command.Output much =
        Command.in(folder).run("demo", "--case", "SeasonTest", "--watched-at-least", "99%");
    assertEquals(1, much.status(), much.out());
    assertTrue(much.out().contains("and --watched-at-least 99 was asked"), much.out());
    Command.Output little =
        Command.in(folder).run("demo", "--case", "SeasonTest", "--watched-at-least", "10");
    assertEquals(0, little.status(), little.out());
    Command.Output wrong = Command.in(folder).run("demo", "--watched-at-least", "many");
    assertEquals(2, wrong.status());
    assertTrue(
        wrong.err().contains("--watched-at-least takes per cent, from 0 to 100, not many"),
        wrong.err());
  }

  private Command.Output demo(String... more) throws Exception {
    List<String> words = new ArrayList<>(List.of("demo", "--seed", "same"));
    for (String suite : List.of(
        "HiveRegisterTest", "HiveRefusalTest", "StoreTest", "WeatherTest", "InspectionTest")) {
      words.addAll(List.of("--case", suite));
    }
    words.addAll(List.of(more));
    return Command.in(folder).run(words.toArray(String[]::new));
  }

  /** What is to be pasted is code; where it needs a name of the case, a comment says which. */
  private void assertLinesCompile(String out) throws Exception {
    StringBuilder source = new StringBuilder("import static org.oddlantern.check.Checks.*;\n"
        + "public class Pasted { void pasted(org.oddlantern.http.Reply reply) {\n");
    int count = 0;
    for (JsonNode operation : json(out).path("operations")) {
      for (JsonNode line : operation.path("lines")) {
        if (!line.asString().contains("//")) {
          source.append("reply.must(").append(line.asString()).append(");\n");
          count++;
        }
      }
    }
    assertTrue(count > 20, source.toString());
    Sources.compile(folder, "Pasted", source.append("}}\n").toString());
  }

  /** The lines of cases, without the time they took. */
  private static List<String> cases(Command.Output output) {
    return output
        .out()
        .lines()
        .filter(line -> line.matches("(passed|failed|errored) .*"))
        .map(line -> line.replaceFirst(" +[0-9.]+ m?s  ", " "))
        .toList();
  }

  private JsonNode json(String out) throws Exception {
    return JsonMapping.standard()
        .parse(Files.readAllBytes(folder.resolve(out).resolve("blind-spots.json")));
  }

  private Map<String, String> places(String out) throws Exception {
    Map<String, String> places = new TreeMap<>();
    for (JsonNode operation : json(out).path("operations")) {
      for (JsonNode place : operation.path("places")) {
        places.put(
            operation.path("method").asString("look") + " "
                + operation.path("template").asString() + " "
                + operation.path("status").asInt(0) + " " + place.path("place").asString(),
            place.path("watch").asString());
      }
    }
    return places;
  }

  /** What is in a list or a mailbox depends on what ran before, and so does what of it is changed. */
  private static Map<String, String> withoutItems(Map<String, String> places) {
    Map<String, String> others = new TreeMap<>(places);
    others.keySet().removeIf(place -> place.contains("[*]") || place.startsWith("look "));
    return others;
  }

  private List<String> known(String out) throws Exception {
    List<String> known = new ArrayList<>();
    for (JsonNode operation : json(out).path("operations")) {
      for (JsonNode place : operation.path("places")) {
        if (place.has("known") && !place.path("watch").asString().equals("by value")) {
          known.add(
              operation.path("template").asString() + " " + place.path("place").asString());
        }
      }
    }
    return known;
  }
}
