package org.oddlantern.run;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import org.oddlantern.http.Header;
import org.oddlantern.json.Finding;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.JsonPath;
import org.oddlantern.json.NotJson;
import tools.jackson.databind.JsonNode;

/**
 * Hides secrets in everything that leaves the runner. It knows the headers and paths that are named,
 * and learns the texts it finds there, so that an echo of them elsewhere is hidden too. Thread-safe.
 */
final class Masker {

  static final String MASK = "***";

  private static final int SHORTEST = 4;
  private static final List<String> CREDENTIALS = List.of("authorization", "proxy-authorization");

  private final Set<String> headers = new TreeSet<>(String.CASE_INSENSITIVE_ORDER);
  private final Map<String, Boolean> named = new ConcurrentHashMap<>();
  private final Set<String> anywhere = new HashSet<>();
  private final List<JsonPath> paths;
  private volatile List<String> texts = List.of();

  /** A masker for what the settings name: headers, {@code $.name} at any depth, other paths. */
  Masker(List<String> mask) {
    headers.addAll(CREDENTIALS);
    List<JsonPath> exact = new ArrayList<>();
    for (String entry : mask) {
      if (!entry.startsWith("$")) {
        headers.add(entry);
      } else if (isOneName(JsonPath.of(entry))) {
        anywhere.add((String) JsonPath.of(entry).steps().get(0));
      } else {
        exact.add(JsonPath.of(entry));
      }
    }
    paths = List.copyOf(exact);
  }

  private static boolean isOneName(JsonPath path) {
    return path.isSingular() && path.steps().size() == 1 && path.steps().get(0) instanceof String;
  }

  /** Hides a text from now on, as it is, JSON-escaped and percent-encoded; very short ones cannot be. */
  synchronized void learn(String secret) {
    if (secret.length() < SHORTEST || texts.contains(secret)) {
      return;
    }
    List<String> more = new ArrayList<>(texts);
    String quoted = JsonMapping.standard().write(secret);
    for (String form : List.of(secret, quoted.substring(1, quoted.length() - 1), percent(secret))) {
      if (!more.contains(form)) {
        more.add(form);
      }
    }
    more.sort(Comparator.comparingInt(String::length).reversed());
    texts = List.copyOf(more);
  }

  /** Learns what stands in the headers that are named. */
  void learn(List<Header> fields) {
    for (Header field : fields) {
      if (isNamed(field.name())) {
        learn(field.value());
        learn(credentials(field.value()));
      }
    }
  }

  /** Whether bodies have to be looked at for secrets. */
  boolean looksIntoBodies() {
    return !paths.isEmpty() || !anywhere.isEmpty();
  }

  /** Learns what stands in a body at the places that are named. */
  void learnBody(String body) {
    if (paths.isEmpty() && (anywhere.isEmpty() || anywhere.stream().noneMatch(body::contains))) {
      return;
    }
    try {
      JsonNode root = JsonMapping.standard().parse(body);
      paths.forEach(path -> path.find(root).forEach(found -> learnValue(found.value())));
      learnNamed(root);
    } catch (NotJson e) {
      // no places to look at: what is secret elsewhere is hidden all the same
    }
  }

  String text(String text) {
    String masked = text;
    for (String secret : texts) {
      if (masked.contains(secret)) {
        masked = masked.replace(secret, MASK);
      }
    }
    return masked;
  }

  Header header(Header field) {
    if (!isNamed(field.name())) {
      String masked = text(field.value());
      return masked.equals(field.value()) ? field : new Header(field.name(), masked);
    }
    String scheme = field
        .value()
        .substring(0, field.value().length() - credentials(field.value()).length());
    return new Header(field.name(), scheme + MASK);
  }

  Finding finding(Finding finding) {
    if (texts.isEmpty()) {
      return finding;
    }
    return new Finding(
        text(finding.where()),
        text(finding.wanted()),
        text(finding.got()),
        finding.hints().stream().map(this::text).toList());
  }

  private void learnNamed(JsonNode node) {
    node.properties().forEach(member -> {
      if (anywhere.contains(member.getKey())) {
        learnValue(member.getValue());
      }
    });
    node.values().forEach(this::learnNamed);
  }

  private void learnValue(JsonNode value) {
    if (value.isContainer()) {
      value.values().forEach(this::learnValue);
    } else if (value.isString() || value.isNumber()) {
      learn(value.asString());
    }
  }

  private boolean isNamed(String header) {
    return named.computeIfAbsent(header, headers::contains);
  }

  /** What follows the scheme of an Authorization header (RFC 9110, section 11.4). */
  private static String credentials(String value) {
    return value.substring(value.indexOf(' ') + 1);
  }

  private static String percent(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
  }
}
