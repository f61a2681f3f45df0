package org.oddlantern.demo.beeyard;

import io.javalin.config.RoutesConfig;
import io.javalin.http.Context;
import java.util.Map;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/** Keepers: whoever likes may become one, and leave again. */
record Keepers(Store store, Access access, Set<Fault> faults) {

  private static final int SHORTEST_PASSWORD = 8;

  void addTo(RoutesConfig routes) {
    routes.post("/api/keepers", this::signUp);
    routes.delete("/api/keepers/{name}", this::leave);
  }

  private void signUp(Context context) {
    JsonNode body = RequestBody.of(context);
    String name = body.path("name").asString("");
    String password = body.path("password").asString("");
    if (name.isBlank() || password.length() < SHORTEST_PASSWORD) {
      throw Refusal.notJson("a keeper needs a name and a password of eight characters or more");
    }
    if (store.hasKeeper(name)) {
      throw Refusal.conflict("there is a keeper '" + name + "' already");
    }
    store.addKeeper(name, password);
    if (faults.contains(Fault.PLAIN_PASSWORD)) {
      store.spoilPassword(name, password);
    }
    context.status(201).json(Map.of("name", name));
  }

  private void leave(Context context) {
    String name = context.pathParam("name");
    if (!access.keeper(context).equals(name)) {
      throw Refusal.forbidden("only " + name + " may do that");
    }
    store.removeKeeper(name);
    context.status(204);
  }
}
