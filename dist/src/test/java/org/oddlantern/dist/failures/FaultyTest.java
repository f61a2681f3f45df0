package org.oddlantern.dist.failures;

import static org.oddlantern.check.Checks.*;

import java.math.BigDecimal;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.database.Database;
import org.oddlantern.http.Call;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.json.Json;
import org.oddlantern.json.Secret;
import org.oddlantern.payload.Fresh;
import org.oddlantern.suite.Case;

/** One case for each seeded fault, each as somebody would write it who does not know the fault. */
public class FaultyTest {

  private static final Secret PASSWORD = Secret.of("lavender-and-lime");

  record Hive(int id, String label, String kind, int queenYear, String plot, String keeper) {}

  record NewHive(String label, String kind, int queenYear, String plot) {}

  private static final Hive FOXGLOVE =
      new Hive(1, "Foxglove", "stack", 2025, "north slope", "wren");

  private final Service beeyard;
  private final Database store;

  FaultyTest(Environment env, Fresh fresh) {
    Service open = env.service("beeyard");
    Reply signIn = open.send(Call.post("/sign-in")
        .json(Map.of("keeper", "wren", "password", "honey-and-thyme"))
        .named("sign in"));
    beeyard = open.bearer(signIn.valueAt("$.token", Secret.class));
    store = env.database("store");
  }

  @Case("a hive has its plot")
  void wrongValue() {
    hive().must(body(including(FOXGLOVE)));
  }

  @Case("a hive has all its fields")
  void missingField() {
    hive().must(body(including(FOXGLOVE)));
  }

  @Case("a hive says nothing about its keeper")
  void surplusField() {
    hive()
        .must(body(fields()
            .with("id", 1)
            .with("label", "Foxglove")
            .with("kind", "stack")
            .with("queenYear", 2025)
            .with("plot", "north slope")
            .with("keeper", "wren")
            .with("registeredOn", date())
            .only()));
  }

  @Case("the year of the queen is a number")
  void wrongType() {
    hive().must(at("$.queenYear", 2025));
  }

  @Case("a hive has the year of its queen")
  void renamedField() {
    hive().must(body(including(FOXGLOVE)));
  }

  @Case("a hive has a plot")
  void nullValue() {
    hive().must(at("$.plot", "north slope"));
  }

  @Case("a hive keeps its label")
  void caseChanged() {
    hive().must(at("$.label", "Foxglove"));
  }

  @Case("a label is returned as it was given")
  void trailingSpace() {
    hive().must(at("$.label", "Foxglove"));
  }

  @Case("a plot is returned as it was given")
  void noBreakSpace() {
    hive().must(at("$.plot", "north slope"));
  }

  @Case("a hive can be found by its label")
  void lookAlike() {
    hive().must(at("$.label", "Foxglove"));
  }

  @Case("the region is written with an umlaut")
  void decomposed() {
    season().must(at("$.region", "W\u00f6dermoos"));
  }

  @Case("the region is readable")
  void mojibake() {
    season().must(at("$.region", "W\u00f6dermoos"));
  }

  @Case("the title has an ampersand")
  void escaped() {
    season().must(at("$.title", "Wren & Alder"));
  }

  @Case("the notes are whole")
  void textCut() {
    season().must(at("$.notes", NOTES));
  }

  @Case("the notes are as they were written")
  void longText() {
    season().must(at("$.notes", NOTES));
  }

  @Case("an inspection keeps its day")
  void dateShifted() {
    beeyard.send(Call.get("/inspections/{id}", 5)).must(at("$.madeOn", "2026-03-12"));
  }

  @Case("the season opens at six, wherever one asks")
  void hourLate() {
    season().must(at("$.opensAt", "2026-03-01T06:00:00Z"));
  }

  @Case("the opening is a moment")
  void epochMillis() {
    season().must(at("$.opensAt", "2026-03-01T06:00:00Z"));
  }

  @Case("the season has a name and a region")
  void swappedFields() {
    season().must(body(fields().with("name", "Heather").with("region", "W\u00f6dermoos")));
  }

  @Case("the first inspections have the first ids")
  void shiftedIds() {
    page().must(at("$.items[*].id", List.of(1, 2, 3, 4, 5, 6, 7, 8, 9, 10)));
  }

  @Case("a hive is an object")
  void encodedTwice() {
    hive().must(at("$.label", "Foxglove"));
  }

  @Case("the region can be read")
  void notUtf8() {
    season().must(at("$.region", "W\u00f6dermoos"));
  }

  @Case("the season opens at six")
  void timeShifted() {
    season().must(at("$.opensAt", "2026-03-01T06:00:00Z"));
  }

  @Case("the season opens at six, in UTC")
  void sameMoment() {
    season().must(at("$.opensAt", "2026-03-01T06:00:00Z"));
  }

  @Case("every grain is counted")
  void precisionLost() {
    season().must(at("$.grains", 9007199254740993L));
  }

  @Case("every gram is counted")
  void rounded() {
    season().must(at("$.kilograms", new BigDecimal("1234.567890123456789")));
  }

  @Case("a jar costs twelve fifty")
  void scaled() {
    season().must(at("$.price", 12.5));
  }

  @Case("the coldest day was below zero")
  void signLost() {
    season().must(at("$.coldest", -4.5));
  }

  @Case("every jar of the season is listed")
  void deepDifference() {
    season()
        .must(body(including(Map.of(
            "harvests",
            List.of(
                Map.of("jars", List.of(Map.of("grams", 250))),
                Map.of(
                    "jars",
                    List.of(Map.of("grams", 250), Map.of("grams", 250), Map.of("grams", 500))))))));
  }

  @Case("the season has no prices but that of a jar")
  void surplusKeys() {
    season()
        .must(body(onlyKeys(
            "name",
            "region",
            "title",
            "opensAt",
            "grains",
            "kilograms",
            "price",
            "coldest",
            "notes",
            "harvests")));
  }

  @Case("a page has ten inspections")
  void lastItemLost() {
    page().must(at("$.items", exactly(inspections())));
  }

  @Case("inspections come in order")
  void swappedItems() {
    page().must(at("$.items", exactly(inspections())));
  }

  @Case("every inspection comes once")
  void doubledItem() {
    page().must(at("$.items", exactly(inspections())));
  }

  @Case("inspections come as they were made")
  void changedItem() {
    page().must(at("$.items", exactly(inspections())));
  }

  @Case("no inspection counts fewer frames than none")
  void badItems() {
    beeyard
        .send(Call.get("/inspections"))
        .must(atEach("$.items", fields().with("frames", atLeast(0))));
  }

  @Case("every inspection has a mood")
  void allItemsBad() {
    beeyard
        .send(Call.get("/inspections"))
        .must(atEach("$.items", fields().with("mood", anyText())));
  }

  @Case("every inspection has an id")
  void emptyList() {
    beeyard.send(Call.get("/inspections")).must(at("$.items[*].id", eachItem(wholeNumber())));
  }

  @Case("a registration creates something")
  void wrongStatus(Fresh fresh) {
    register(fresh).must(status(201));
  }

  @Case("a hive has an entity tag")
  void missingHeader() {
    hive().must(header("ETag"));
  }

  @Case("a hive is JSON")
  void wrongContentType() {
    hive().must(contentType("application/json"));
  }

  @Case("inspections can be asked for by hive")
  void plainText500() {
    beeyard.send(Call.get("/inspections").query("hive", 2)).must(at("$.items", size(24)));
  }

  @Case("a hive can be read")
  void htmlPage() {
    hive().must(at("$.label", "Foxglove"));
  }

  @Case("a hive is not empty")
  void emptyBody() {
    hive().must(at("$.label", "Foxglove"));
  }

  @Case("a hive is returned whole")
  void brokenJson() {
    hive().must(at("$.label", "Foxglove"));
  }

  @Case("a hive is on one plot")
  void doubledKey() {
    hive().must(at("$.plot", "north slope"));
  }

  @Case("a new name is returned at once")
  void staleCache(Fresh fresh) {
    int id = register(fresh).valueAt("$.id", int.class);
    beeyard.send(Call.patch("/hives/{id}", id).json(Map.of("label", "Renamed")));
    beeyard.send(Call.get("/hives/{id}", id)).must(at("$.label", "Renamed"));
  }

  @Case("a new name is stored")
  void lostUpdate() {
    beeyard.send(Call.patch("/hives/{id}", 1).json(Map.of("label", "Renamed"))).must(status(200));
    store.row("select * from hive where id = ?", 1).must(at("$.label", "Renamed"));
  }

  @Case("a removed hive leaves no row")
  void rowLeft(Fresh fresh) {
    Reply hive = register(fresh);
    beeyard.send(Call.delete("/hives/{id}", hive.valueAt("$.id", int.class))).must(status(204));
    store.noRow(
        "select label, plot from hive where label = ?", hive.valueAt("$.label", String.class));
  }

  @Case("no password is stored as it is")
  void plainPassword(Fresh fresh) {
    String name = fresh.text("keeper-");
    beeyard.send(Call.post("/keepers").json(Map.of("name", name, "password", PASSWORD)));
    store.row("select * from keeper where name = ?", name).must(at("$.password", not(PASSWORD)));
  }

  @Case("the export has the kind of each hive")
  void xmlValue() {
    beeyard.send(Call.get("/export")).must(xpath("/hives/hive[@id = 2]/kind", "long"));
  }

  @Case("the export lists the hives there are")
  void xmlSurplus() {
    beeyard.send(Call.get("/export")).must(sameXml("""
        <hives>
          <hive id="1"><kind>stack</kind></hive>
          <hive id="2"><kind>long</kind></hive>
          <hive id="3"><kind>straw</kind></hive>
        </hives>
        """));
  }

  @Case("a harvest is weighed")
  void neverWeighed() {
    int id = beeyard
        .send(Call.post("/harvests").json(Map.of("kilograms", 3)))
        .valueAt("$.id", int.class);
    eventually(
        Duration.ofMillis(400),
        () -> beeyard.send(Call.get("/harvests/{id}", id)).must(at("$.state", "done")));
  }

  private static final String NOTES =
      "clover first, then lime and bramble; hives on the slope want thyme and heather until the frosts.";

  private Reply hive() {
    return beeyard.send(Call.get("/hives/{id}", 1));
  }

  private Reply season() {
    return beeyard.send(Call.get("/season"));
  }

  private Reply page() {
    return beeyard.send(Call.get("/inspections").query("limit", 10));
  }

  /** The first ten, one by one, which the list should tell alike. */
  private List<Json> inspections() {
    List<Json> inspections = new ArrayList<>();
    for (int id = 1; id <= 10; id++) {
      inspections.add(beeyard.send(Call.get("/inspections/{id}", id)).json());
    }
    return inspections;
  }

  private Reply register(Fresh fresh) {
    NewHive hive = new NewHive(fresh.text("new-"), "stack", 2026, "orchard");
    return beeyard.send(Call.post("/hives")
        .json(hive)
        .undoneBy(reply -> Call.delete("/hives/{id}", reply.valueAt("$.id", int.class))));
  }
}
