package org.oddlantern.config.internal;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.oddlantern.config.SettingsProblem;

/** The keys of a service in the settings: single ones, and groups of them. */
final class ServiceKeys {

  static final Map<String, List<String>> GROUPS = groups();
  static final List<String> SINGLE = List.of(
      "url",
      "timeout",
      "connectTimeout",
      "bodyLimit",
      "redirects",
      "bearer",
      "trust",
      "proxy",
      "caseHeader",
      "trace",
      "traces",
      "log");

  private static final Set<String> JUDGES = Set.of("warn", "must", "off");

  private static final Set<String> SECRETS = Set.of(
      "bearer",
      "password",
      "basic.password",
      "keyInHeader.key",
      "keyInQuery.key",
      "signIn.json",
      "clientCredentials.clientSecret",
      "clientCertificate.password");

  private static final Set<String> CREDENTIALS =
      Set.of("bearer", "basic", "keyInHeader", "keyInQuery", "signIn", "clientCredentials");

  private ServiceKeys() {}

  private static Map<String, List<String>> groups() {
    Map<String, List<String>> groups = new LinkedHashMap<>();
    groups.put("basic", List.of("user", "password"));
    groups.put("keyInHeader", List.of("name", "key"));
    groups.put("keyInQuery", List.of("name", "key"));
    groups.put("signIn", List.of("post", "json", "token"));
    groups.put("clientCredentials", List.of("tokenUrl", "clientId", "clientSecret", "scopes"));
    groups.put("clientCertificate", List.of("certificate", "key", "store", "password"));
    groups.put("ready", List.of("path", "within"));
    groups.put("description", List.of("from", "judge"));
    return groups;
  }

  /** Every key that can stand directly in a service. */
  static List<String> top() {
    List<String> keys = new ArrayList<>(SINGLE);
    keys.addAll(GROUPS.keySet());
    keys.add("headers");
    return keys;
  }

  /** Whether there is such a key, groups and members joined by a dot. */
  static boolean isKnown(String key) {
    int dot = key.indexOf('.');
    if (dot < 0) {
      return SINGLE.contains(key) || mayBeText(key);
    }
    String member = key.substring(dot + 1);
    return key.startsWith("headers.") && !member.isEmpty()
        || GROUPS.getOrDefault(key.substring(0, dot), List.of()).contains(member);
  }

  /** Whether a group may also be a text alone. */
  static boolean mayBeText(String group) {
    return group.equals("description");
  }

  static String noJudge(String word, SettingsValue value) {
    return value.place() + ": 'judge' is warn, must or off, not '" + word + "'";
  }

  /** Whether a key says who calls; another such key in its stead replaces it. */
  static boolean isCredential(String key) {
    return CREDENTIALS.contains(key.replaceAll("\\..*", ""));
  }

  /** Whether the value of a key is a secret. */
  static boolean isSecret(String key, SettingsValue value) {
    return SECRETS.contains(key)
        || key.startsWith("headers.") && (value.inFile() || !value.variables().isEmpty())
        || key.equalsIgnoreCase("headers.authorization")
        || key.equalsIgnoreCase("headers.cookie");
  }

  /** Refuses values that are wrong however variables are set. */
  static void check(String key, SettingsValue value) {
    if (!value.variables().isEmpty() || value.inFile()) {
      return;
    }
    switch (key) {
      case "timeout", "connectTimeout", "ready.within" ->
        Quantities.duration(value.text(), value.place(), key);
      case "bodyLimit" -> Quantities.bytes(value.text(), value.place(), key);
      case "redirects" -> Quantities.count(value.text(), value.place(), key, 100);
      case "description.judge" -> {
        if (!JUDGES.contains(value.text())) {
          throw new SettingsProblem(noJudge(value.text(), value));
        }
      }
      case "trace" -> Quantities.onOrOff(value.text(), value.place(), key);
      default -> {}
    }
  }
}
