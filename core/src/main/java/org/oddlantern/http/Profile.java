package org.oddlantern.http;

import java.net.URI;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.Secret;

/** What is said once for every call of a service. */
record Profile(
    String url, Headers headers, @Nullable Secret bearer, Duration deadline, JsonMapping mapping) {

  static Profile at(String url) {
    return new Profile(checked(url), Headers.NONE, null, Deadlines.CALL, JsonMapping.standard());
  }

  Profile movedTo(String other) {
    return new Profile(checked(other), headers, bearer, deadline, mapping);
  }

  Profile headers(Headers more) {
    return new Profile(url, more, bearer, deadline, mapping);
  }

  Profile bearer(Secret token) {
    return new Profile(url, headers, token, deadline, mapping);
  }

  Profile deadline(Duration limit) {
    return new Profile(url, headers, bearer, limit, mapping);
  }

  private static String checked(String url) {
    String problem = problem(url);
    if (!problem.isEmpty()) {
      throw new IllegalArgumentException("'" + url + "' is not the address of a service: " + problem
          + "; write it like http://127.0.0.1:7411/api");
    }
    return url;
  }

  private static String problem(String url) {
    try {
      URI uri = URI.create(url);
      String scheme = String.valueOf(uri.getScheme());
      if (!scheme.equalsIgnoreCase("http") && !scheme.equalsIgnoreCase("https")) {
        return "it must begin with http:// or https://";
      }
      return uri.getHost() == null ? "it names no host" : "";
    } catch (IllegalArgumentException e) {
      return String.valueOf(e.getMessage());
    }
  }
}
