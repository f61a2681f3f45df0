package org.oddlantern.http;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Secret;

/** Values given for headers, a secret among them or not. */
final class HeaderValues {

  private HeaderValues() {}

  static String text(Object value) {
    Needed.of(value, "the value of a header or cookie");
    return value instanceof Secret secret ? secret.reveal() : value.toString();
  }

  /** The secrets known before, and this one if it is one. */
  static List<Secret> secrets(List<Secret> before, Object value) {
    if (!(value instanceof Secret secret)) {
      return before;
    }
    List<Secret> more = new ArrayList<>(before);
    more.add(secret);
    return List.copyOf(more);
  }
}
