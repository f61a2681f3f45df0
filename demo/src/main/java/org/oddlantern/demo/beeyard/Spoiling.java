package org.oddlantern.demo.beeyard;

import io.javalin.http.Context;
import java.util.List;
import java.util.Set;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Makes the mistakes that are made on the way out, after everything was done right. */
record Spoiling(Set<Fault> faults) {

  private static final JsonMapper MAPPER = JsonMapper.builder()
      .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
      .build();

  private static final String PAGE =
      "<!doctype html><title>Back soon</title><h1>Back soon</h1><p>The beeyard is being tidied.</p>";

  void spoil(Context context) {
    if (context.result() == null) {
      return; // nothing is told, so nothing can be told wrongly
    }
    for (Fault fault : faults) {
      String path = context.path();
      if (path.matches("/api/hives/\\d+") && context.status().getCode() == 200) {
        spoilHive(fault, context);
      } else if (path.equals("/api/season")) {
        context.result(SpoiltSeason.sent(fault, read(context)));
      } else if (path.equals("/api/inspections")) {
        spoilList(fault, context);
      } else if (path.matches("/api/inspections/\\d+") && fault == Fault.DATE_SHIFTED) {
        context.result(((ObjectNode) read(context)).put("madeOn", "2026-03-11").toString());
      } else if (path.equals("/api/hives") && fault == Fault.WRONG_STATUS) {
        context.status(200);
      } else if (path.equals("/api/export")) {
        spoilExport(fault, context);
      }
    }
  }

  private static void spoilHive(Fault fault, Context context) {
    switch (fault) {
      case MISSING_HEADER -> context.res().setHeader("ETag", null);
      case WRONG_CONTENT_TYPE -> context.contentType("text/html");
      case HTML_PAGE -> context.contentType("text/html").result(PAGE);
      case EMPTY_BODY -> context.result("");
      case BROKEN_JSON ->
        context.result("{\n  \"id\": 1,\n  \"label\": \"Foxglove\",\n  \"kind\": \"sta");
      case ENCODED_TWICE ->
        context.result(MAPPER.writeValueAsString(read(context).toString()));
      case DOUBLED_KEY ->
        context.result(
            "{\"id\": 1, \"plot\": \"north slope\", \"label\": \"Foxglove\", \"plot\": \"orchard\"}");
      default -> context.result(spoiltHive(fault, (ObjectNode) read(context)).toString());
    }
  }

  private static ObjectNode spoiltHive(Fault fault, ObjectNode hive) {
    return switch (fault) {
      case WRONG_VALUE -> hive.put("plot", "orchard");
      case MISSING_FIELD -> hive.without("plot");
      case SURPLUS_FIELD -> hive.put("keeperPhone", "555-0117");
      case WRONG_TYPE -> hive.put("queenYear", "2025");
      case RENAMED_FIELD -> {
        hive.put("queen_year", hive.get("queenYear").intValue());
        yield hive.without("queenYear");
      }
      case NULL_VALUE -> hive.putNull("plot");
      case CASE_CHANGED -> hive.put("label", "FOXGLOVE");
      case TRAILING_SPACE -> hive.put("label", "Foxglove ");
      case NO_BREAK_SPACE -> hive.put("plot", "north\u00a0slope");
      case LOOK_ALIKE -> hive.put("label", "Foxgl\u043eve");
      case STALE_CACHE -> hive.put("label", "Foxglove");
      default -> hive;
    };
  }

  private static void spoilList(Fault fault, Context context) {
    if (context.status().getCode() != 200) {
      return;
    }
    ObjectNode body = (ObjectNode) read(context);
    ArrayNode items = (ArrayNode) body.get("items");
    switch (fault) {
      case LAST_ITEM_LOST -> items.remove(items.size() - 1);
      case SWAPPED_ITEMS -> items.insert(3, items.remove(4));
      case DOUBLED_ITEM -> items.insert(5, items.get(4).deepCopy());
      case CHANGED_ITEM -> ((ObjectNode) items.get(6)).put("mood", "calm");
      case BAD_ITEMS ->
        List.of(10, 36, 62).forEach(i -> ((ObjectNode) items.get(i)).put("frames", -1));
      case ALL_ITEMS_BAD -> items.forEach(item -> ((ObjectNode) item).remove("mood"));
      case SHIFTED_IDS ->
        items.forEach(item -> ((ObjectNode) item).put("id", item.get("id").intValue() + 1));
      case EMPTY_LIST -> items.removeAll();
      default -> {}
    }
    context.result(body.toString());
  }

  private static void spoilExport(Fault fault, Context context) {
    String xml = String.valueOf(context.result());
    if (fault == Fault.XML_VALUE) {
      context.result(xml.replace("<hive id=\"2\"><kind>long", "<hive id=\"2\"><kind>stack"));
    } else if (fault == Fault.XML_SURPLUS) {
      context.result(xml.replace("</hives>", "<hive id=\"99\"><kind>stack</kind></hive></hives>"));
    }
  }

  private static JsonNode read(Context context) {
    return MAPPER.readTree(context.result());
  }
}
