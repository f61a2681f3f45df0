package org.oddlantern.http;

import java.net.URI;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.json.Secret;

/**
 * An address, and who calls there if it says so: a name and a password in a URL are sent as Basic
 * credentials (RFC 7617) and never are in an address again, which everybody prints.
 *
 * @param url the address without them
 * @param credentials what they are; none if there are none
 */
record Place(String url, Credentials credentials) {

  private static final Pattern USER = Pattern.compile("(?<=://)([^/?#]*)@");

  static Place of(String url) {
    if (url.indexOf('@') < 0) {
      return new Place(url, Credentials.NONE);
    }
    Matcher user = USER.matcher(url);
    if (!user.find()) {
      return new Place(url, Credentials.NONE);
    }
    String[] pair = user.group(1).split(":", 2);
    String password = pair.length < 2 ? "" : decoded(pair[1]);
    return new Place(
        user.replaceFirst(""), Credentials.basic(decoded(pair[0]), Secret.of(password)));
  }

  /** An address as it may be shown. */
  static String shown(String url) {
    return USER.matcher(url).replaceFirst("***@");
  }

  static Place of(URI uri) {
    return of(uri.toString());
  }

  private static String decoded(String text) {
    try {
      return URLDecoder.decode(text.replace("+", "%2B"), StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      return text; // a per cent sign that stands for itself
    }
  }
}
