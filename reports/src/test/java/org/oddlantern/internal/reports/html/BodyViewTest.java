package org.oddlantern.internal.reports.html;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.SentFile;
import org.oddlantern.json.Finding;

/** What a page shows of a body. */
class BodyViewTest {

  @Test
  void shortJsonIsLaidOutWithTheDifferenceInItsPlace() {
    BodyView view = view(
        "{\"id\":4,\"tags\":[],\"in\":{\"label\":\"Fox\"}}",
        Finding.of("$.in.label", "\"Foxglove\"", "\"Fox\""));
    assertEquals("""
        {
          "id": 4,
          "tags": [],
          "in": {
            "label": "Fox"  <- wanted "Foxglove"
          }
        }""", told(view));
  }

  @Test
  void whatIsMissingStandsOnTheLineAroundItAndWhatIsWrongAlikeOnEachLine() {
    assertEquals(
        """
        {
          "hives": [
            {  <- wanted label: a text
              "id": "1"  <- wanted a whole number
            },
            {
              "id": "2"  <- wanted a whole number
            }
          ],
          "a['b.c": {  <- wanted ['f g']: 8
            "d": {}  <- wanted e[0]: 7
          }
        }""",
        told(view(
            "{\"hives\":[{\"id\":\"1\"},{\"id\":\"2\"}],\"a['b.c\":{\"d\":{}}}",
            Finding.of("$.hives[0].label", "a text", "nothing"),
            Finding.of("$.hives[*].id", "a whole number", "2 of 2 items are not")
                .atEach(List.of("$.hives[0].id", "$.hives[1].id")),
            Finding.of("$['a[\\'b.c'].d.e[0]", "7", "nothing"),
            Finding.of("$['a[\\'b.c']['f g']", "8", "nothing"),
            Finding.of("$", "an object with fields", "another"),
            Finding.of("status", "200", "500"))));
  }

  @Test
  void xmlIsLaidOutWithTheDifferencesInTheirPlaces() {
    assertEquals(
        """
        <y:yard xmlns:y="urn:y" y:of="&lt;&quot;hill&quot;>">
          <hive id="1">  <- wanted @id: "3"
            <label>Fox</label>  <- wanted "Foxglove"
          </hive>
          <!-- empty -->
          <hive id="2">  <- wanted label: a text
            <frames>x &lt; y</frames>  <- wanted "8"
          </hive>
        </y:yard>""",
        told(view(
            "<?xml version='1.0'?><y:yard xmlns:y='urn:y' y:of='&lt;\"hill\"&gt;'><hive id='1'><label>Fox</label></hive><!-- empty --><hive id='2'>"
                + "<frames><![CDATA[x < y]]></frames></hive></y:yard>",
            Finding.of("/y:yard/hive[1]/@id", "\"3\"", "\"1\""),
            Finding.of("/y:yard/hive[1]/label/text()", "\"Foxglove\"", "\"Fox\""),
            Finding.of("/y:yard/hive[2]/label", "a text", "nothing"),
            Finding.of("/y:yard/hive[2]/frames", "\"8\"", "\"x < y\""),
            Finding.of("//hive[@id='7']", "one", "nothing"),
            Finding.of("/", "nothing else that differs", "3 more differences"))));
  }

  @Test
  void longJsonShowsItsBeginningAndWhatSurroundsTheDifference() {
    String items = IntStream.range(0, 500)
        .mapToObj(i -> "{\"id\":" + i + "}")
        .collect(Collectors.joining(",", "[", "]"));
    String told = told(view(items, Finding.of("$[300].id", "7", "300")));
    assertTrue(
        told.startsWith("[\n  {\n    \"id\": 0\n  },\n  {\n    \"id\": 1\n(890 more lines)\n"),
        told);
    assertTrue(told.contains("    \"id\": 300  <- wanted 7\n"), told);
    assertTrue(told.endsWith("more lines)"), told);
    assertTrue(told.lines().count() < 30, told);
  }

  @Test
  void longJsonWithoutADifferenceShowsItsBeginningAndHowMuchMoreThereIs() {
    String items = IntStream.range(0, 1_000)
        .mapToObj(String::valueOf)
        .collect(Collectors.joining(",", "[", "]"));
    String told = told(view(items));
    assertEquals(101, told.lines().count());
    assertTrue(told.endsWith("\n(902 more lines)"), told);
  }

  @Test
  void whatIsNoJsonIsShownAsItIsAndWhatIsNoTextByItsSize() {
    assertEquals("row 12\nhas 6 columns", told(view("row 12\nhas 6 columns")));
    BodyView binary = BodyView.of(new BodyRecord(12_345, null, null, List.of()), "", List.of());
    assertEquals("12.3 KB, not a text", binary.size() + ", " + binary.note());
    Bodies bodies = new Bodies(new Journal(Path.of("out/journal.jsonl")), Path.of("out/report"));
    SentFile file = new SentFile("bodies/0d18663f5d7a.bin", null);
    assertEquals("../bodies/0d18663f5d7a.bin", binary.sentFrom(file, bodies).link());
    assertEquals("", binary.sentFrom(null, bodies).link());
    assertEquals("", view("row 12").sentFrom(file, bodies).link(), "a text is shown");
    assertEquals("empty", BodyView.of(BodyRecord.NONE, "", List.of()).size());
    assertTrue(view("x".repeat(50_000)).note().equals("cut: 50000 characters in all"));
  }

  private static BodyView view(String text, Finding... findings) {
    return BodyView.of(
        new BodyRecord(text.length(), text, null, List.of()), text, List.of(findings));
  }

  private static String told(BodyView view) {
    return view.lines().stream()
        .map(line -> line.gap()
            ? "(" + line.text() + ")"
            : line.text()
                + line.differences().stream()
                    .map(one -> "  <- wanted " + one.wanted())
                    .collect(Collectors.joining()))
        .collect(Collectors.joining("\n"));
  }
}
