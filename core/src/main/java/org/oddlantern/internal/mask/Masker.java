package org.oddlantern.internal.mask;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.Masked;
import org.oddlantern.json.Finding;

/**
 * Hides secrets in everything that leaves the runner. It knows the headers and paths that are named,
 * and learns the texts it finds there, so that an echo of them elsewhere is hidden too. Thread-safe.
 */
public final class Masker {

  private static final String OTHER = "anything but ";
  private static final String HIDDEN =
      "the difference is not shown, since something here is a secret";

  private static final List<String> CREDENTIALS = List.of("authorization", "proxy-authorization");
  private static final int LIKELY = 8;
  private static final Pattern USER = Pattern.compile("(?<=://)[^/@?#]*(?=@)");
  private static final Pattern LITERAL = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"");
  private static final Pattern COOKIE = Pattern.compile("(?<==)[^;]*");

  private final Set<String> headers = new TreeSet<>(String.CASE_INSENSITIVE_ORDER);
  private final Map<String, Boolean> named = new ConcurrentHashMap<>();
  private final SecretTexts texts = new SecretTexts();
  private final NamedPlaces places;

  /** A masker for what the settings name: headers, {@code $.name} at any depth, other paths. */
  public Masker(List<String> mask) {
    for (String entry : mask) {
      if (!entry.startsWith("$")) {
        headers.add(entry);
      }
    }
    places = new NamedPlaces(mask, headers);
    headers.addAll(CREDENTIALS);
  }

  /** Hides a text from now on, in every form; a very short one cannot be. */
  public void learn(String secret, String variable) {
    texts.learn(secret, variable);
  }

  /** Learns what stands in the headers that are named, and in cookies that look like tokens. */
  public void learn(List<Header> fields) {
    for (Header field : fields) {
      if (isNamed(field.name())) {
        learn(credentials(field.value()), "");
        learnPassword(field.value());
      } else if (isCookie(field.name())) {
        learnCookies(field);
      }
    }
  }

  /** Learns what stands at the named places of an address. */
  public void learnAddress(String address) {
    places.inForm(address).forEach(hidden -> learn(hidden.value(), ""));
  }

  /** Learns what stands at the named places of a body. */
  public void learnBody(String contentType, String body) {
    hidden(contentType, body).forEach(hidden -> learn(hidden.value(), ""));
  }

  /** Whether bodies have to be looked at for secrets. */
  public boolean looksIntoBodies() {
    return !places.isEmpty();
  }

  /** What deserves a look of the secrets that were told of; empty if nothing does. */
  public List<String> warnings() {
    int shortest = texts.shortest();
    if (shortest >= LIKELY) {
      return List.of();
    }
    return List.of(
        shortest < SecretTexts.SHORTEST
            ? "a secret of fewer than 4 characters is in use, which cannot be distinguished from other text and is not hidden"
            : "a secret of " + shortest
                + " characters is in use; it is hidden wherever these letters occur, in other words too, so choose one of 8 or more");
  }

  /** An identity, in which the sample alone comes from data. */
  public String id(String id) {
    int sample = id.indexOf('[');
    return sample < 0 ? id : id.substring(0, sample) + text(id.substring(sample));
  }

  /**
   * A line of source code: literals that are a secret of 8 letters or more are hidden, and those in which
   * one stands that is more than letters; anything else may be an everyday word.
   */
  public String source(String line) {
    if (line.indexOf('"') < 0) {
      return line;
    }
    List<String> secrets = texts.ofLength(LIKELY);
    if (secrets.isEmpty()) {
      return line;
    }
    return LITERAL.matcher(line).replaceAll(found -> {
      String literal = DecodedText.undone(found.group(1), DecodedText.Escape.JSON);
      boolean secret = secrets.stream()
          .anyMatch(one -> literal.equals(one)
              || literal.contains(one) && !one.chars().allMatch(Character::isLetter));
      return Matcher.quoteReplacement(secret ? '"' + Masked.TEXT + '"' : found.group());
    });
  }

  /** Whether no secret is known at all, so that nothing can hold one. */
  public boolean knowsNone() {
    return texts.isEmpty();
  }

  /** Whether a secret stands in a text that was masked before it was known. */
  public boolean isLate(String text) {
    return texts.isIn(text);
  }

  /** Bytes in which secrets are replaced, whatever they are. */
  public byte[] octets(byte[] bytes) {
    String text = new String(bytes, StandardCharsets.ISO_8859_1);
    String masked = texts.masked(text);
    return masked.equals(text) ? bytes : masked.getBytes(StandardCharsets.ISO_8859_1);
  }

  /** A text of any kind, which may hold a piece of a body. */
  public String text(String text) {
    return texts.masked(cut(text, places.inText(text), "\""));
  }

  /** A line of a log, in which an address may stand. */
  public String line(String line) {
    return address(text(line), new ArrayList<>());
  }

  /** An address, its user information hidden; notes the variable of each secret in it. */
  public String address(String address, List<String> variables) {
    String masked = cut(address, places.inForm(address), "");
    if (masked.indexOf('@') >= 0) {
      masked = USER.matcher(masked).replaceAll(Masked.TEXT);
    }
    return texts.masked(masked, variables);
  }

  /** A body of that media type; notes the variable of each secret in it. */
  public String body(String contentType, String body, List<String> variables) {
    return texts.masked(
        places.isEmpty()
            ? body
            : cut(body, hidden(contentType, body), isForm(contentType) ? "" : "\""),
        variables);
  }

  /** A header; notes the variable of each secret in it. */
  public Header header(Header field, List<String> variables) {
    if (isCookie(field.name())) {
      return new Header(field.name(), cookies(field));
    }
    String masked = texts.masked(field.value(), variables);
    if (!isNamed(field.name())) {
      return masked.equals(field.value()) ? field : new Header(field.name(), masked);
    }
    String scheme = field
        .value()
        .substring(0, field.value().length() - credentials(field.value()).length());
    if (masked.equals(field.value())) {
      variables.add("");
    }
    return new Header(field.name(), scheme + Masked.TEXT);
  }

  /** A verdict, of which nothing is told that would give a secret away. */
  public Verdict verdict(Verdict verdict) {
    return new Verdict(
        verdict.holds() && !verdict.check().contains("...")
            ? text(verdict.check())
            : pieces(verdict.check()),
        verdict.warning(),
        verdict.sent(),
        verdict.holds()
            ? List.of()
            : verdict.findings().stream().map(this::finding).toList());
  }

  private Finding finding(Finding finding) {
    boolean hidden = places.isNamed(finding.where());
    String wanted = hidden ? hiddenWanted(finding.wanted()) : pieces(finding.wanted());
    String got = hidden && !finding.absent() ? Masked.TEXT : pieces(finding.got());
    boolean changed = !wanted.equals(finding.wanted()) || !got.equals(finding.got());
    return new Finding(
        text(finding.where()),
        text(finding.item()),
        wanted,
        got,
        changed ? List.of(HIDDEN) : finding.hints().stream().map(this::pieces).toList(),
        finding.places().stream().map(this::text).toList(),
        finding.absent());
  }

  /** Values in findings may be cut, and a secret in them with them. */
  private String pieces(String text) {
    return texts.maskedInPieces(cut(text, places.inText(text), "\""));
  }

  private static String hiddenWanted(String wanted) {
    return wanted.startsWith(OTHER) ? OTHER + Masked.TEXT : Masked.TEXT;
  }

  private List<NamedPlaces.Hidden> hidden(String contentType, String body) {
    return isForm(contentType) ? places.inForm(body) : places.inJson(body);
  }

  private static boolean isForm(String contentType) {
    return contentType.toLowerCase(Locale.ROOT).startsWith("application/x-www-form-urlencoded");
  }

  private static String cut(String text, List<NamedPlaces.Hidden> pieces, String quote) {
    if (pieces.isEmpty()) {
      return text;
    }
    StringBuilder cut = new StringBuilder();
    int done = 0;
    for (NamedPlaces.Hidden piece : pieces) {
      if (piece.end() > piece.start()) {
        cut.append(text, done, piece.start()).append(quote).append(Masked.TEXT).append(quote);
        done = piece.end();
      }
    }
    return cut.append(text, done, text.length()).toString();
  }

  private static boolean isCookie(String header) {
    return header.equalsIgnoreCase("Cookie") || header.equalsIgnoreCase("Set-Cookie");
  }

  /** Every cookie of the request, the first pair of a line that sets one. */
  private static String cookies(Header field) {
    return field.name().equalsIgnoreCase("Cookie")
        ? COOKIE.matcher(field.value()).replaceAll(Masked.TEXT)
        : COOKIE.matcher(field.value()).replaceFirst(Masked.TEXT);
  }

  private void learnCookies(Header field) {
    String[] pairs = field.value().split(";", -1);
    int count = field.name().equalsIgnoreCase("Cookie") ? pairs.length : 1;
    for (int i = 0; i < count; i++) {
      String value = pairs[i].substring(pairs[i].indexOf('=') + 1).trim();
      learn(value, "");
      if (value.length() > 2 && value.startsWith("\"") && value.endsWith("\"")) {
        learn(value.substring(1, value.length() - 1), "");
      }
    }
  }

  /** The password in Basic credentials (RFC 7617). */
  private void learnPassword(String value) {
    if (value.regionMatches(true, 0, "Basic ", 0, 6)) {
      try {
        String pair = new String(
            Base64.getDecoder().decode(credentials(value).trim()), StandardCharsets.UTF_8);
        learn(pair.substring(pair.indexOf(':') + 1), "");
      } catch (IllegalArgumentException e) {
        // broken on purpose, maybe; it is hidden as it is
      }
    }
  }

  private boolean isNamed(String header) {
    Boolean known = named.get(header);
    return known == null ? named.computeIfAbsent(header, headers::contains) : known;
  }

  /** What follows the scheme of an Authorization header (RFC 9110, section 11.4). */
  private static String credentials(String value) {
    return value.substring(value.indexOf(' ') + 1);
  }
}
