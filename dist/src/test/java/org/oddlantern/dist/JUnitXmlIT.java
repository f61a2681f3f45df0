package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.Schema;
import javax.xml.validation.SchemaFactory;
import org.apache.maven.plugin.surefire.log.api.NullConsoleLogger;
import org.apache.maven.plugins.surefire.report.ReportTestSuite;
import org.apache.maven.plugins.surefire.report.SurefireReportParser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.SAXException;

/** The XML of a run full of what XML does not like, as those read it who take it in. */
class JUnitXmlIT {

  private static final String SUITE = """
      import org.oddlantern.suite.*;

      public class GateYardTest {
        static int tried;
        static int broken;

        @Case("the gate is shut ]]> & <\\u0007 \\ud83d\\udc1d \\uffff>") @Retries(2) void shut() {
          System.out.println("creak ]]> \\u001b[31m \\ud800 end");
          if (tried++ < 2) throw new AssertionError("it was \\u0000 open");
        }

        @Case("it breaks") @Retries(2) void breaks() {
          System.out.println("crack");
          if (broken++ == 0) throw new AssertionError();
          throw new IllegalStateException(broken == 2 ? null : "no hinge ]]>");
        }

        @Case("it falls") @Retries(1) void falls() { throw new AssertionError("it\\nfell"); }
        @Case("it is oiled") @Pending void oiled() {}
        @Case("it is locked") @Skipped(why = "the lock is <lost>") void locked() {}
        @Case("it is painted") @KnownFault("BEE-7") void painted() { throw new AssertionError("rust & \\u0001"); }
        @Case("it is closed again") void closed() throws Exception {
          try (AutoCloseable latch = () -> {}) { System.out.println("click"); }
        }
      }
      """;

  /** As if a project had an XML library of its own. */
  private static final String FOREIGN =
      "-Djavax.xml.stream.XMLOutputFactory=none -Djavax.xml.stream.XMLInputFactory=none";

  @TempDir
  Path folder;

  @Test
  void whatARunTellsIsTakenByTheSchemaOfCiServers() throws Exception {
    Schema schema = SchemaFactory.newInstance(XMLConstants.W3C_XML_SCHEMA_NS_URI)
        .newSchema(Fetched.at("reports/junit-10.xsd").toFile());
    run();
    Path journal = folder.resolve("odd-lantern-out/journal.jsonl");
    List<String> lines = Files.readAllLines(journal);
    Files.write(folder.resolve("cut.jsonl"), lines.subList(0, lines.size() - 1));
    Command.Output cut = Command.in(folder)
        .with("ODD_LANTERN_OPTS", FOREIGN)
        .run("report", "cut.jsonl", "--out", "cut");
    assertEquals(1, cut.status(), cut.out() + cut.err()); // it has no end, and says so
    List<String> refused = new ArrayList<>();
    int read = 0;
    for (String run : List.of("odd-lantern-out", "cut")) {
      try (Stream<Path> files = Files.list(folder.resolve(run).resolve("junit-xml"))) {
        for (Path file : files.toList()) {
          read++;
          try {
            schema.newValidator().validate(new StreamSource(file.toFile()));
          } catch (SAXException e) {
            refused.add(file + ": " + e.getMessage());
          }
        }
      }
    }
    assertEquals(List.of(), refused);
    assertEquals(3, read, "the suite twice, and once that its run was cut off");
  }

  @Test
  void triesStandWhereTheBuildsOwnReportsHaveThem() throws Exception {
    run();
    Element suite = DocumentBuilderFactory.newInstance()
        .newDocumentBuilder()
        .parse(file().toFile())
        .getDocumentElement();
    assertEquals(
        "the gate is shut ]]> & <\ufffd \ud83d\udc1d \ufffd>: flakyFailure flakyFailure skipped system-out",
        told(suite, 0));
    assertEquals("it breaks: rerunFailure error rerunError system-out", told(suite, 1));
    assertEquals("it falls: failure rerunFailure", told(suite, 2));
    assertEquals("it is oiled: skipped", told(suite, 3));
    Element opened = (Element) suite.getElementsByTagName("flakyFailure").item(0);
    assertEquals("it was \ufffd open", opened.getAttribute("message"));
    assertTrue(
        suite.getElementsByTagName("system-out").item(0).getTextContent().contains("creak ]]> "));
  }

  @Test
  void theReportPlugInOfTheBuildCountsWhatTheRunCounts() throws Exception {
    run();
    ReportTestSuite read = new SurefireReportParser(
            List.of(folder.resolve("odd-lantern-out/junit-xml").toFile()), new NullConsoleLogger())
        .parseXMLReportFiles().stream()
            .filter(one -> one.getName().equals("GateYardTest"))
            .findFirst()
            .orElseThrow();
    assertEquals(
        List.of(7, 1, 1, 5),
        List.of(
            read.getNumberOfTests(),
            read.getNumberOfFailures(),
            read.getNumberOfErrors(),
            read.getNumberOfSkipped()));
  }

  private void run() throws Exception {
    String classes = Sources.compile(folder, "GateYardTest", SUITE).toString();
    Command.Output output = Command.in(folder).run("run", classes);
    assertEquals(1, output.status(), output.out() + output.err());
  }

  private Path file() {
    return folder.resolve("odd-lantern-out/junit-xml/TEST-GateYardTest.xml");
  }

  private static String told(Element suite, int number) {
    Element one = (Element) suite.getElementsByTagName("testcase").item(number);
    StringBuilder told = new StringBuilder(one.getAttribute("name") + ":");
    for (Node child = one.getFirstChild(); child != null; child = child.getNextSibling()) {
      if (child instanceof Element) {
        told.append(' ').append(child.getNodeName());
      }
    }
    return told.toString();
  }
}
