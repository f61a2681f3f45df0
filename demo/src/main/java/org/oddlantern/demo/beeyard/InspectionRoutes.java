package org.oddlantern.demo.beeyard;

import io.javalin.config.RoutesConfig;
import io.javalin.http.Context;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Inspections: list, filter, read. */
record InspectionRoutes(Store store, Access access, Set<Fault> faults) {

  private static final int FAULTY = 37;

  void addTo(RoutesConfig routes) {
    routes.get("/api/inspections", this::list);
    routes.get("/api/inspections/{id}", this::read);
  }

  private void list(Context context) {
    access.keeper(context);
    String hive = context.queryParam("hive");
    String mood = context.queryParam("mood");
    if (hive != null && !hive.matches("[1-9]\\d{0,8}")) {
      throw Refusal.notJson("hive must be the number of a hive");
    }
    if (hive != null && faults.contains(Fault.PLAIN_TEXT_500)) {
      context
          .status(500)
          .contentType("text/plain")
          .result("inspections of hive " + hive + ": row 12 has 6 columns, not 7");
      return;
    }
    List<Inspection> found = store.inspections().stream()
        .filter(one -> hive == null || hive.equals(String.valueOf(one.hive())))
        .filter(one -> mood == null || mood.equals(one.mood()))
        .toList();
    int offset = number(context, "offset", 0);
    int limit = number(context, "limit", found.size());
    List<Inspection> shown = found.stream().skip(offset).limit(limit).toList();
    if (offset + shown.size() < found.size()) {
      context.header(
          "Link",
          String.format(
              Locale.ROOT,
              "<%s?offset=%d&limit=%d>; rel=\"next\"",
              context.path(),
              offset + limit,
              limit));
    }
    Map<String, Object> body = new LinkedHashMap<>();
    body.put("total", found.size());
    body.put("items", told(shown));
    context.json(body);
  }

  private void read(Context context) {
    access.keeper(context);
    String id = context.pathParam("id");
    Inspection inspection = store.inspections().stream()
        .filter(one -> String.valueOf(one.id()).equals(id))
        .findFirst()
        .orElseThrow(() -> Refusal.notFound("there is no inspection " + id));
    context.json(
        faults.contains(Fault.MISSPELT_FIELD)
            ? told(inspection, inspection.frames(), "queenseen")
            : inspection);
  }

  private List<Object> told(List<Inspection> inspections) {
    List<Object> told = new ArrayList<>(inspections);
    if (faults.contains(Fault.NUMBER_AS_TEXT)) {
      told.replaceAll(one -> one instanceof Inspection inspection && inspection.id() == FAULTY
          ? told(inspection, String.valueOf(inspection.frames()), "queenSeen")
          : one);
    }
    return told;
  }

  private static Map<String, Object> told(Inspection one, Object frames, String queenSeen) {
    Map<String, Object> fields = new LinkedHashMap<>();
    fields.put("id", one.id());
    fields.put("hive", one.hive());
    fields.put("madeOn", one.madeOn());
    fields.put("mood", one.mood());
    fields.put("frames", frames);
    fields.put("temperature", one.temperature());
    fields.put(queenSeen, one.queenSeen());
    return fields;
  }

  private static int number(Context context, String name, int otherwise) {
    String value = context.queryParam(name);
    if (value == null) {
      return otherwise;
    }
    if (!value.matches("\\d{1,6}")) {
      throw Refusal.notJson(name + " must be a whole number");
    }
    return Integer.parseInt(value);
  }
}
