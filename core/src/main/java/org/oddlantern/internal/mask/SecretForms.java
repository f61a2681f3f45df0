package org.oddlantern.internal.mask;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.json.internal.JsonMapping;

/** The ways in which a text may be written: plain, and escaped or encoded in the usual manners. */
final class SecretForms {

  private static final int SHORTEST_INSIDE = 6;
  private static final Pattern OCTET = Pattern.compile("%[0-9A-F]{2}");

  private SecretForms() {}

  static Set<String> of(String secret) {
    Set<String> forms = new LinkedHashSet<>();
    forms.add(secret);
    forms.add(octets(secret));
    forms.addAll(json(secret));
    forms.addAll(percent(secret));
    forms.addAll(markup(secret));
    forms.addAll(base64(secret));
    forms.removeIf(form -> form.length() < SecretTexts.SHORTEST);
    return forms;
  }

  /** A letter for each byte, as texts are told whose encoding nobody knows. */
  private static String octets(String secret) {
    return new String(secret.getBytes(StandardCharsets.UTF_8), StandardCharsets.ISO_8859_1);
  }

  private static List<String> json(String secret) {
    String quoted = JsonMapping.standard().write(secret);
    String escaped = quoted.substring(1, quoted.length() - 1);
    return List.of(
        escaped, escaped.replace("/", "\\/"), ascii(escaped, "\\u%04x"), ascii(escaped, "\\u%04X"));
  }

  private static String ascii(String text, String format) {
    StringBuilder ascii = new StringBuilder();
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      ascii.append(c < 128 ? String.valueOf(c) : String.format(format, (int) c));
    }
    return ascii.toString();
  }

  private static List<String> percent(String secret) {
    String form = URLEncoder.encode(secret, StandardCharsets.UTF_8);
    String uri = form.replace("+", "%20").replace("*", "%2A").replace("%7E", "~");
    return List.of(form, uri, lower(form), lower(uri));
  }

  private static String lower(String encoded) {
    Matcher octets = OCTET.matcher(encoded);
    return octets.replaceAll(octet -> octet.group().toLowerCase(Locale.ROOT));
  }

  private static List<String> markup(String secret) {
    String escaped = secret.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    return List.of(
        escaped,
        escaped.replace("\"", "&quot;").replace("'", "&#39;"),
        escaped.replace("\"", "&quot;").replace("'", "&apos;"),
        escaped.replace("\"", "&#34;").replace("'", "&#39;"));
  }

  /** Alone, and inside of something longer at each of the three places a byte can have in a group. */
  private static List<String> base64(String secret) {
    byte[] bytes = secret.getBytes(StandardCharsets.UTF_8);
    List<String> forms = new ArrayList<>();
    for (Base64.Encoder encoder : List.of(Base64.getEncoder(), Base64.getUrlEncoder())) {
      forms.add(encoder.encodeToString(bytes));
      for (int before = 0; before < 3; before++) {
        byte[] shifted = new byte[before + bytes.length];
        System.arraycopy(bytes, 0, shifted, before, bytes.length);
        String whole = encoder.encodeToString(shifted);
        String inside = whole.substring((before * 8 + 5) / 6, shifted.length * 8 / 6);
        if (inside.length() >= SHORTEST_INSIDE) {
          forms.add(inside);
        }
      }
    }
    return forms;
  }
}
