package org.oddlantern.dist.reference;

import static org.oddlantern.check.Checks.*;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.json.Json;
import org.oddlantern.suite.Case;

/** An example of every check and shape, each of which fails, for the reference. */
final class ExamplesTest {

  private final Service beeyard;
  private final Reply reply;

  ExamplesTest(Environment env) {
    beeyard = env.service("beeyard");
    reply = beeyard.send(Call.get("/hive.json"));
  }

  @Case("status")
  void statusFails() {
    reply.must(status("4xx"));
  }

  @Case("header")
  void headerFails() {
    reply.must(header("ETag"), header("Cache-Control", "no-cache"));
  }

  @Case("cookie")
  void cookieFails() {
    reply.must(cookie("session"));
  }

  @Case("noBody")
  void noBodyFails() {
    reply.must(noBody());
  }

  @Case("contentType")
  void contentTypeFails() {
    reply.must(contentType("application/problem+json"));
  }

  @Case("body")
  void bodyFails() {
    reply.must(body(including(Map.of("label", "Heather"))));
  }

  @Case("at")
  void atFails() {
    reply.must(at("$.lable", "Foxglove"));
  }

  @Case("atEach")
  void atEachFails() {
    reply.must(atEach("$.frames[*].honey", atMost(2)));
  }

  @Case("text")
  void textFails() {
    beeyard.send(Call.get("/note.txt")).must(text("All well."));
  }

  @Case("bytes")
  void bytesFails() {
    beeyard.send(Call.get("/note.txt")).must(bytes(new byte[] {1, 2, 3}));
  }

  @Case("asDescribed")
  void asDescribedFails() {
    reply.must(asDescribed());
  }

  @Case("asAgreed")
  void asAgreedFails() {
    reply.must(asAgreed());
  }

  @Case("answeredWithin")
  void answeredWithinFails() {
    reply.must(answeredWithin(Duration.ofNanos(1)));
  }

  @Case("xpath")
  void xpathFails() {
    beeyard.send(Call.get("/hive.xml")).must(xpath("/hive/label", "Heather"));
  }

  @Case("sameXml")
  void sameXmlFails() {
    beeyard.send(Call.get("/hive.xml")).must(sameXml("<hive><label>Heather</label></hive>"));
  }

  @Case("holds")
  void holdsFails() {
    reply.must(holds(
        "more frames than tags",
        hive -> hive.valuesAt("$.tags[*]", String.class).size() > 3));
  }

  @Case("judgedBy")
  void judgedByFails() {
    reply.must(
        at("$.tags", judgedBy("house rules", Json.class, tags -> List.of("one tag is enough"))));
  }

  @Case("gatherFailures")
  void gatherFailuresFails() {
    gatherFailures(() -> {
      reply.must(status(201));
      reply.must(at("$.id", 8));
    });
  }

  @Case("eventually")
  void eventuallyFails() {
    eventually(
        Duration.ofMillis(300),
        () -> beeyard.send(Call.get("/hive.json")).must(at("$.locked", true)));
  }

  @Case("waitFor")
  void waitForFails() {
    waitFor(
        Duration.ofMillis(300),
        () -> beeyard.send(Call.get("/hive.json")).must(at("$.locked", true)));
  }

  @Case("step")
  void stepFails() {
    step("the hive is looked at");
    reply.must(at("$.id", 8));
  }

  @Case("keep")
  void keepFails() {
    keep("note.txt", "text/plain", "All well.".getBytes(StandardCharsets.UTF_8));
    reply.must(at("$.id", 8));
  }

  @Case("exactly")
  void exactlyFails() {
    reply.must(at("$.keeper", exactly(Map.of("name", "Wren"))));
  }

  @Case("including")
  void includingFails() {
    reply.must(at("$.keeper", including(Map.of("name", "Robin"))));
  }

  @Case("anyText")
  void anyTextFails() {
    reply.must(at("$.id", anyText()));
  }

  @Case("wholeNumber")
  void wholeNumberFails() {
    reply.must(at("$.strength", wholeNumber()));
  }

  @Case("number")
  void numberFails() {
    reply.must(at("$.label", number()));
  }

  @Case("anyValue")
  void anyValueFails() {
    reply.must(at("$.queen", anyValue()));
  }

  @Case("missing")
  void missingFails() {
    reply.must(at("$.note", missing()));
  }

  @Case("size")
  void sizeFails() {
    reply.must(at("$.frames", size(2)));
  }

  @Case("textMatching")
  void textMatchingFails() {
    reply.must(at("$.label", textMatching("[A-Z]+")));
  }

  @Case("between")
  void betweenFails() {
    reply.must(at("$.strength", between(0.9, 1)));
  }

  @Case("atLeast")
  void atLeastFails() {
    reply.must(at("$.strength", atLeast(1)));
  }

  @Case("atMost")
  void atMostFails() {
    reply.must(at("$.strength", atMost(0.5)));
  }

  @Case("near")
  void nearFails() {
    reply.must(at("$.checked", near(Instant.parse("2026-05-12T09:00:00Z"), Duration.ofMinutes(1))));
  }

  @Case("trueOrFalse")
  void trueOrFalseFails() {
    reply.must(at("$.id", trueOrFalse()));
  }

  @Case("empty")
  void emptyFails() {
    reply.must(at("$.tags", empty()));
  }

  @Case("oneOf")
  void oneOfFails() {
    reply.must(at("$.kind", oneOf("log", "skep")));
  }

  @Case("not")
  void notFails() {
    reply.must(at("$.kind", not("stack")));
  }

  @Case("fields")
  void fieldsFails() {
    reply.must(at("$.keeper", fields().with("name", "Wren").with("mail", missing())));
  }

  @Case("keysIncluding")
  void keysIncludingFails() {
    reply.must(at("$.keeper", keysIncluding("name", "plot")));
  }

  @Case("onlyKeys")
  void onlyKeysFails() {
    reply.must(at("$.keeper", onlyKeys("name")));
  }

  @Case("date")
  void dateFails() {
    reply.must(at("$.checked", date()));
  }

  @Case("dateTime")
  void dateTimeFails() {
    reply.must(at("$.registered", dateTime()));
  }

  @Case("uuid")
  void uuidFails() {
    reply.must(at("$.label", uuid()));
  }

  @Case("email")
  void emailFails() {
    reply.must(at("$.keeper.name", email()));
  }

  @Case("schema")
  void schemaFails() {
    reply.must(body(schema("schemas/hive.json")));
  }

  @Case("eachItem")
  void eachItemFails() {
    reply.must(at("$.frames", eachItem(including(Map.of("honey", atMost(2))))));
  }

  @Case("items")
  void itemsFails() {
    reply.must(at("$.tags", items("south", "meadow")));
  }

  @Case("itemsIncluding")
  void itemsIncludingFails() {
    reply.must(at("$.tags", itemsIncluding("meadow")));
  }

  @Case("distinct")
  void distinctFails() {
    reply.must(at("$.frames[*].number", distinct()));
  }

  @Case("sorted")
  void sortedFails() {
    reply.must(at("$.tags", sorted()));
  }

  @Case("sortedBy")
  void sortedByFails() {
    reply.must(at("$.frames", sortedBy("$.honey")));
  }
}
