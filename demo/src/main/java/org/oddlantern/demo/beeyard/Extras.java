package org.oddlantern.demo.beeyard;

import io.javalin.config.RoutesConfig;
import io.javalin.http.Context;
import io.javalin.http.Cookie;
import io.javalin.http.UploadedFile;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** What real services have beside JSON: forms, files, XML, CSV, GraphQL, sessions, old addresses. */
record Extras(Store store, Access access) {

  private static final String SESSION = "beeyard-session";

  void addTo(RoutesConfig routes) {
    routes.post("/api/session", this::beginSession);
    routes.get("/api/session", this::session);
    routes.delete("/api/session", this::endSession);
    routes.post("/api/hives/{id}/photos", this::addPhoto);
    routes.get("/api/hives/{id}/photos/latest", context -> {
      access.keeper(context);
      context.contentType("image/png").result(Photo.png());
    });
    routes.post("/api/inspections/count", this::count);
    routes.get("/api/export", this::export);
    routes.post("/api/graphql", this::graphQl);
    routes.get("/api/old-hives/{id}", this::moved);
    routes.head("/api/hives/{id}", this::exists);
    routes.options(
        "/api/hives", context -> context.status(204).header("Allow", "GET, POST, OPTIONS"));
  }

  /** Signs in by a form, as a browser does; the cookie is the proof from then on. */
  private void beginSession(Context context) {
    String keeper = Optional.ofNullable(context.formParam("keeper")).orElse("");
    if (!store.knows(keeper, Optional.ofNullable(context.formParam("password")).orElse(""))) {
      throw Refusal.notSignedIn("keeper or password is wrong");
    }
    Cookie cookie = new Cookie(SESSION, store.newToken(keeper));
    cookie.setPath("/api");
    cookie.setHttpOnly(true);
    context.cookie(cookie);
    context.json(Map.of("keeper", keeper));
  }

  private void session(Context context) {
    context.json(Map.of("keeper", keeperOfSession(context)));
  }

  private void endSession(Context context) {
    keeperOfSession(context);
    context.removeCookie(SESSION, "/api").status(204);
  }

  private String keeperOfSession(Context context) {
    return Optional.ofNullable(context.cookie(SESSION))
        .flatMap(store::keeperOf)
        .orElseThrow(() -> Refusal.notSignedIn("there is no session"));
  }

  private void addPhoto(Context context) {
    access.keeper(context);
    UploadedFile photo = context.uploadedFile("photo");
    if (photo == null) {
      throw Refusal.notJson("there is no part 'photo'");
    }
    Map<String, Object> told = new LinkedHashMap<>();
    told.put("hive", Integer.parseInt(context.pathParam("id")));
    told.put("file", photo.filename());
    told.put("type", photo.contentType());
    told.put("bytes", photo.size());
    told.put("note", Optional.ofNullable(context.formParam("note")).orElse(""));
    context.status(201).json(told);
  }

  /** Counts the rows of a CSV, the entries of an XML list or the lines of a text. */
  private void count(Context context) {
    access.keeper(context);
    String type = Optional.ofNullable(context.contentType()).orElse("").replaceAll(";.*", "");
    String body = context.body();
    int count = switch (type) {
      case "text/csv" -> (int) body.lines().count() - 1;
      case "application/xml" -> body.split("<inspection\\b", -1).length - 1;
      case "text/plain" -> (int) body.lines().count();
      default -> throw Refusal.notJson("inspections come as CSV, XML or text, not as " + type);
    };
    context.json(Map.of("type", type, "count", count));
  }

  private void export(Context context) {
    access.keeper(context);
    StringBuilder xml = new StringBuilder("<hives>");
    for (Hive hive : store.hives()) {
      xml.append(String.format(
          Locale.ROOT, "<hive id=\"%d\"><kind>%s</kind></hive>", hive.id(), hive.kind()));
    }
    context.contentType("application/xml").result(xml.append("</hives>").toString());
  }

  /** Knows one query: a hive by its id. */
  private void graphQl(Context context) {
    access.keeper(context);
    JsonNode body = RequestBody.of(context);
    int id = body.path("variables").path("id").asInt(0);
    Optional<Hive> hive = store.hive(id);
    Map<String, Object> answer = new LinkedHashMap<>();
    answer.put("data", hive.map(found -> Map.of("hive", found)).orElse(null));
    if (hive.isEmpty()) {
      answer.put("errors", List.of(Map.of("message", "there is no hive " + id)));
    }
    context.json(answer);
  }

  private void moved(Context context) {
    context.status(308).header("Location", "/api/hives/" + context.pathParam("id"));
  }

  private void exists(Context context) {
    access.keeper(context);
    String id = context.pathParam("id");
    boolean known = id.matches("\\d{1,9}") && store.hive(Integer.parseInt(id)).isPresent();
    context.status(known ? 200 : 404);
  }
}
