package org.oddlantern.demo.beeyard;

import io.javalin.config.RoutesConfig;
import io.javalin.http.Context;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Hives: register, read, list, replace, change, remove. */
record HiveRoutes(Store store, Access access, Set<Fault> faults) {

  void addTo(RoutesConfig routes) {
    routes.get("/api/hives", this::list);
    routes.post("/api/hives", this::register);
    routes.get("/api/hives/{id}", this::read);
    routes.put("/api/hives/{id}", this::replace);
    routes.patch("/api/hives/{id}", this::change);
    routes.delete("/api/hives/{id}", this::remove);
  }

  private void list(Context context) {
    access.keeper(context);
    List<Hive> hives = store.hives();
    context.json(Map.of("items", hives, "total", hives.size()));
  }

  private void register(Context context) {
    String keeper = access.keeper(context);
    HiveForm form = HiveForm.of(RequestBody.of(context));
    refuseTakenLabel(form, 0);
    Hive hive = store.register(form, keeper);
    if (!faults.contains(Fault.MISSING_LOCATION)) {
      context.header("Location", "/api/hives/" + hive.id());
    }
    answer(context.status(201), hive);
  }

  private void read(Context context) {
    access.keeper(context);
    answer(context, found(context));
  }

  private void replace(Context context) {
    Hive hive = own(context);
    HiveForm form = HiveForm.of(RequestBody.of(context));
    refuseTakenLabel(form, hive.id());
    answer(context, store.change(hive, form));
  }

  private void change(Context context) {
    Hive hive = own(context);
    ObjectNode merged = JsonMapper.shared().createObjectNode();
    merged
        .put("label", hive.label())
        .put("kind", hive.kind())
        .put("queenYear", hive.queenYear())
        .put("plot", hive.plot());
    JsonNode body = RequestBody.of(context);
    body.properties().forEach(member -> merged.set(member.getKey(), member.getValue()));
    HiveForm form = HiveForm.of(merged);
    refuseTakenLabel(form, hive.id());
    answer(
        context,
        faults.contains(Fault.LOST_UPDATE) ? store.pretend(hive, form) : store.change(hive, form));
  }

  private void remove(Context context) {
    Hive hive = own(context);
    if (faults.contains(Fault.ROW_LEFT)) {
      store.hide(hive);
    } else {
      store.remove(hive);
    }
    context.status(204);
  }

  private static void answer(Context context, Hive hive) {
    context.header("ETag", hive.entityTag());
    context.json(hive);
  }

  private void refuseTakenLabel(HiveForm form, int id) {
    if (store.isTaken(form.label(), id)) {
      throw Refusal.conflict("the label '" + form.label() + "' is taken");
    }
  }

  /** The hive of the path, if the keeper who asks keeps it. */
  private Hive own(Context context) {
    String keeper = access.keeper(context);
    Hive hive = found(context);
    if (!hive.keeper().equals(keeper)) {
      throw Refusal.forbidden("hive " + hive.id() + " is kept by " + hive.keeper());
    }
    return hive;
  }

  private Hive found(Context context) {
    String id = context.pathParam("id");
    return (id.matches("\\d{1,9}") ? store.hive(Integer.parseInt(id)) : Optional.<Hive>empty())
        .orElseThrow(() -> Refusal.notFound("there is no hive " + id));
  }
}
