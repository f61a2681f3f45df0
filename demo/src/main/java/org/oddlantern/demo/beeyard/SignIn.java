package org.oddlantern.demo.beeyard;

import io.javalin.http.Context;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** Gives a token to keepers who know their password. */
record SignIn(Store store) {

  void signIn(Context context) {
    JsonNode body = RequestBody.of(context);
    String keeper = body.path("keeper").asString("");
    String password = body.path("password").asString("");
    if (!store.knows(keeper, password)) {
      throw Refusal.notSignedIn("keeper or password is wrong");
    }
    context.json(Map.of("keeper", keeper, "token", store.newToken(keeper)));
  }
}
