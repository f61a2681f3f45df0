package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.InspectionTest.Inspection;
import org.oddlantern.demo.suites.SignInTest.Session;
import org.oddlantern.http.Call;
import org.oddlantern.http.GraphQl;
import org.oddlantern.http.NextPage;
import org.oddlantern.http.Pages;
import org.oddlantern.http.Part;
import org.oddlantern.http.Service;
import org.oddlantern.payload.Fresh;
import org.oddlantern.payload.Payload;
import org.oddlantern.suite.Case;
import org.w3c.dom.Document;

/** One call of each kind; {@code docs/calls.md} shows them. */
public class CallKindsTest {

  enum Kind {
    STACK,
    LONG
  }

  record Hive(String label, String kind, int queenYear, String plot) {}

  private final Service beeyard;

  CallKindsTest(Environment env, Session session) {
    beeyard = env.service("beeyard").bearer(session.token());
  }

  @Case("a hive can be asked for by its head alone")
  void methods() {
    beeyard.send(Call.head("/hives/{id}", 1)).must(status(200), noBody());
    beeyard.send(Call.options("/hives")).must(status(204), header("Allow"));
    beeyard.send(Call.method("TRACE", "/hives")).must(status("4xx"));
    beeyard.send(Call.get("/hives").json(Map.of("unusual", true))).must(status(200));
  }

  @Case("parameters are in the path and in the query")
  void address() {
    beeyard
        .send(Call.get("/inspections")
            .query("hive", 2)
            .query("mood", "calm")
            .query("tag", List.of("a", "b")))
        .must(status(200), at("$.items[*].mood", eachItem("calm")));
  }

  @Case("a record becomes JSON, and a file can be varied")
  void json(Fresh fresh) {
    var hives = new HiveCalls(beeyard);
    var record = Payload.of(new Hive(fresh.text("hive-"), "stack", 2026, "orchard"));
    hives.register(record, 201).must(body(including(record)));
    var file = Payload.file("payloads/hive.json")
        .with("$.label", fresh.text("hive-"))
        .with("$.queenYear", fresh.number(2020, 2026))
        .with("$.kind", fresh.pick(List.of("stack", "long", "straw")));
    hives.register(file, 201).must(at("$.queenYear", wholeNumber()));
    hives.register(file.without("$.plot"), 422).must(at("$.problems[0].field", "plot"));
    hives.register(file.with("$.tags", List.of()).adding("$.tags", "odd"), 422);
  }

  @Case("text that is no JSON can be sent as JSON")
  void broken() {
    beeyard.send(Call.post("/hives").json("{\"label\": ")).must(status(400));
  }

  @Case("inspections come as CSV, XML or text")
  void textsAndFiles() throws ParserConfigurationException {
    var count = Call.post("/inspections/count").named("count inspections");
    beeyard.send(count.file("payloads/inspections.csv")).must(status(200), at("$.count", 3));
    beeyard.send(count.xml("<list><inspection/><inspection/></list>")).must(at("$.count", 2));
    Document list = DocumentBuilderFactory.newInstance().newDocumentBuilder().newDocument();
    list.appendChild(list.createElement("inspection"));
    beeyard.send(count.xml(list)).must(at("$.count", 1));
    beeyard.send(count.text("calm\nswarming")).must(at("$.type", "text/plain"), at("$.count", 2));
    beeyard.send(count.bytes(new byte[] {1}, "image/png")).must(status(400));
  }

  @Case("a photo is sent as a part of a form")
  void multipart() {
    beeyard
        .send(Call.post("/hives/{id}/photos", 1)
            .part("note", Part.text("queen seen"))
            .part("about", Part.json(Map.of("hive", 1)))
            .part("photo", Part.file("payloads/queen.png")))
        .must(
            status(201),
            at("$.hive", 1),
            at("$.file", "queen.png"),
            at("$.type", "image/png"),
            at("$.note", "queen seen"));
  }

  @Case("one field is asked for with GraphQL")
  void graphQl() {
    var one = GraphQl.text("query One($id: Int!) { hive(id: $id) { id label } }");
    beeyard
        .send(Call.post("/graphql").graphQl(one.variable("id", 1)))
        .must(at("$.data.hive.id", 1), at("$.data.hive.label", "Foxglove"));
    beeyard
        .send(Call.post("/graphql")
            .graphQl(
                GraphQl.file("payloads/hives.graphql").operation("One").variable("id", 999_999)))
        .must(at("$.errors[0].message", "there is no hive 999999"));
  }

  @Case("the hives can be exported as XML")
  void export() {
    beeyard.send(Call.get("/export")).must(status(200), contentType("application/xml"));
  }

  @Case("an old address leads to the new one")
  void redirects() {
    var old = beeyard.send(Call.get("/old-hives/1"));
    old.must(status(308), header("Location", "/api/hives/1"));
    beeyard.send(Call.get(old.addressIn("Location"))).must(at("$.label", "Foxglove"));
    beeyard.send(Call.get("/old-hives/1").followingRedirects(3)).must(at("$.label", "Foxglove"));
  }

  @Case("the book of inspections is read page by page")
  void pages() {
    Pages pages = beeyard.pages(Call.get("/inspections").query("limit", 30), NextPage.byLink());
    pages.forEach(page -> page.must(status(200), at("$.total", 72)));
    List<Inspection> all = pages.valuesAt("$.items[*]", Inspection.class);
    pages.replies().get(2).must(header("Link", missing()));
    if (all.size() != 72) {
      throw new AssertionError("the pages hold " + all.size() + " inspections, not 72");
    }
  }

  @Case("limits and headers are set for one call or for all")
  void defaults() {
    var patient = beeyard
        .timeout(Duration.ofSeconds(5))
        .bodyLimit(1 << 20)
        .header("Accept-Language", "en")
        .always(contentType("application/json"));
    patient.send(Call.get("/hives").timeout(Duration.ofSeconds(2))).must(status(200));
    patient
        .send(Call.get("/hives").header("Accept-Language", "de").withoutHeader("Accept-Encoding"))
        .must(status(200));
  }

  @Case("a service can be somewhere else for one case")
  void movedTo() {
    var reply = beeyard.send(Call.get("/status")).must(status(200));
    String hives = reply.address().toString().replace("/status", "/hives");
    beeyard.movedTo(hives).send(Call.get("/1")).must(status(200), at("$.label", "Foxglove"));
  }

  @Case("fresh values are new at every run")
  void fresh(Fresh fresh) {
    var hive = new Hive(fresh.text("hive-"), "stack", 2026, fresh.email());
    LocalDate day = fresh.date(LocalDate.of(2026, 1, 1), LocalDate.of(2026, 12, 31));
    Kind kind = fresh.pick(Kind.class);
    beeyard
        .send(Call.get("/inspections")
            .query("mood", kind.name().toLowerCase(Locale.ROOT) + day + fresh.uuid())
            .query("keeper", hive.plot()))
        .must(status(200), at("$.items", size(0)));
  }
}
