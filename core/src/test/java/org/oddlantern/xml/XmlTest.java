package org.oddlantern.xml;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.json.Json;

/** XML 1.0, Namespaces in XML 1.0 and XPath 1.0, on friendly and on hostile documents. */
class XmlTest {

  private static final String HIVES = """
      <?xml version="1.0"?>
      <f:hives xmlns:f="urn:fennel-hill" count="2">
        <f:hive id="1"><kind>stack</kind></f:hive>
        <f:hive id="2"><kind>long</kind><!-- quiet --></f:hive>
      </f:hives>
      """;

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "/f:hives/f:hive[2]/kind | \"long\"",
        "/f:hives/f:hive/@id | [\"1\",\"2\"]",
        "count(//kind) | 2.0",
        "//kind = 'stack' | true",
        "string(//kind) | \"stack\"",
        "/b:hives/@count | \"2\"",
      })
  void givesWhatAnExpressionSelects(String expression, String value) {
    Xml hives = Xml.parse(HIVES).withNamespace("b", "urn:fennel-hill");
    assertEquals(value, hives.valueAt(expression).map(Json::toString).orElse(""));
  }

  @Test
  void saysWhereThingsAreAndHowFarADeadPathLeads() {
    Xml hives = Xml.parse(HIVES);
    assertEquals(
        List.of("/f:hives/f:hive[1]/@id", "/f:hives/f:hive[2]/@id"), hives.placesAt("//@id"));
    assertTrue(hives.valueAt("/f:hives/f:hive[3]").isEmpty());
    assertEquals(
        "the path ends at /f:hives/f:hive[1], which has kind, @id; did you mean 'kind'?",
        hives.end("/f:hives/f:hive/knid"));
    assertEquals(
        "the root element is <hives>; it is in the namespace urn:x, so the steps need a prefix that stands for it",
        Xml.parse("<hives xmlns='urn:x'/>").end("/hives"));
    assertTrue(assertThrows(BadXPath.class, () -> hives.valueAt("//["))
        .getMessage()
        .startsWith("the XPath //[ cannot be evaluated: "));
    assertTrue(
        assertThrows(BadXPath.class, () -> hives.valueAt("//q:x")).getMessage().contains("q"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "<a x='1' y='2'/> | <a y=\"2\" x=\"1\"></a> | ``",
        "`<a><b/>\n  <c>t</c></a>` | <a><b></b><c><![CDATA[t]]></c><!-- x --></a> | ``",
        "<p:a xmlns:p='urn:x'/> | <a xmlns='urn:x'/> | ``",
        "<a xmlns='urn:x'/> | <a xmlns='urn:y'/> | /a: <a/> / <a/> (only the namespace differs: wanted urn:x, got urn:y)",
        "<a><b>x</b><b>y</b></a> | <a><b>x</b><b>Y</b></a> | /a/b[2]: \"y\" / \"Y\" (only upper and lower case differ)",
        "<a><b/><c/></a> | <a><c/></a> | /a/b: <b/> / nothing: the element is missing",
        "<a><c/></a> | <a><b/><c/></a> | /a/b: no such element / <b/>",
        "<a><c> t</c></a> | <a><c>t</c></a> | /a/c: \" t\" / \"t\" (only white space differs: at character 1 U+0020 SPACE is missing)",
        "<a>x<b/></a> | <a><b/>x</a> | /a/text()[1]: \"x\" / \"\"; /a/text()[2]: \"\" / \"x\"",
        "<a xml:space='preserve'> <b/></a> | <a xml:space='preserve'><b/></a> | /a/text()[1]: \" \" / \"\" (only white space differs: U+0020 SPACE is missing at the end)",
        "<a id='1'/> | <a ID='1'/> | /a/@id: \"1\" / no such attribute (did you mean 'ID'?); /a/@ID: no such attribute / \"1\"",
      })
  void comparesDocumentsByWhatTheySay(String wanted, String got, String told) {
    assertEquals(
        told,
        Xml.parse(got).differencesFrom(Xml.parse(wanted)).stream()
            .map(finding -> finding.where() + ": " + finding.wanted() + " / " + finding.got()
                + (finding.hints().isEmpty() ? "" : " (" + finding.hints().get(0) + ")"))
            .collect(Collectors.joining("; ")));
  }

  /** What two documents say is compared by a second, simpler reading of the same rules. */
  @Test
  void differsExactlyWhereTheDocumentsSayOtherThings() {
    Random random = new Random(1998);
    int rounds = 5_000 * Integer.getInteger("stress", 1);
    int same = 0;
    for (int i = 0; i < rounds; i++) {
      RandomElement one = RandomElement.of(random, 2);
      RandomElement other =
          random.nextBoolean() ? one.changed(random) : RandomElement.of(random, 2);
      boolean equal = one.meaning().equals(other.meaning());
      same += equal ? 1 : 0;
      String wanted = one.written(random);
      String got = other.written(random);
      assertEquals(
          equal,
          Xml.parse(got).differencesFrom(Xml.parse(wanted)).isEmpty(),
          () -> wanted + " and " + got);
    }
    int held = same;
    assertTrue(held > rounds / 10 && held < rounds - rounds / 10, () -> "the same: " + held);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "/hives/hive | hives",
        "//hive[kind='stack' and @id=1] | hive",
        "/*/child::hive/@id | hive",
        "count(//hive) > 1 or hive | hive",
        "//f:hive/kind | ``",
        "//*[local-name()='hive']/secret | ``",
        "//secret[text()='hive'] | ``",
        "//@hive | ``",
        "//processing-instruction('hive') | ``",
        "/f:hives/f:hive[2]/f:secret | ``",
        "//x:hive | ``",
      })
  void tellsStepsThatLookPastANamespace(String expression, String name) {
    String told = Xml.parse(HIVES).overlooked(expression);
    assertTrue(
        name.isEmpty() ? told.isEmpty() : told.startsWith("the step '" + name + "' has no prefix"),
        told);
    assertEquals("", Xml.parse(HIVES.replaceAll("f:|xmlns:f='[^']*'", "")).overlooked(expression));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "<!DOCTYPE a [<!ENTITY x SYSTEM 'file:///etc/hostname'>]><a>&x;</a>",
        "<!DOCTYPE a [<!ENTITY x 'y'><!ENTITY z '&x;&x;&x;&x;'>]><a>&z;</a>",
        "<!DOCTYPE a SYSTEM 'http://127.0.0.1:1/a.dtd'><a/>",
      })
  void readsNoDeclarationsThatFetchOrGrow(String document) {
    assertTrue(assertThrows(NotXml.class, () -> Xml.parse(document))
        .getMessage()
        .contains("it has a document type declaration (DOCTYPE), which is not read"));
  }

  @Test
  void refusesWhatIsDeeperThanAnybodyMeans() {
    String deep = "<a>".repeat(100_000) + "</a>".repeat(100_000);
    assertTrue(assertThrows(NotXml.class, () -> Xml.parse(deep))
        .getMessage()
        .endsWith("it is nested deeper than 1000 elements"));
    String allowed = "<a>".repeat(900) + "</a>".repeat(900);
    assertEquals(List.of(), Xml.parse(allowed).differencesFrom(Xml.parse(allowed)));
    assertEquals(900.0, Xml.parse(allowed).valueAt("count(//a)").orElseThrow().as(double.class));
  }
}
