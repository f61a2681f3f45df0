package org.oddlantern.demo.beeyard;

import io.javalin.http.Context;
import java.util.Locale;

/** Tells which keeper sends a request. */
record Access(Store store) {

  /** The keeper whose token came; refuses requests without a valid one. */
  String keeper(Context context) {
    String header = context.header("Authorization");
    if (header == null || !header.toLowerCase(Locale.ROOT).startsWith("bearer ")) {
      throw Refusal.notSignedIn("sign in and send the token as a bearer token");
    }
    return store
        .keeperOf(header.substring("bearer ".length()).trim())
        .orElseThrow(() -> Refusal.notSignedIn("the token is not known"));
  }
}
