package org.oddlantern.config.internal;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;

/** Settings given on the command line: {@code services.beeyard.url=http://...}. */
final class Overrides {

  static final String OPTION = "--set ";

  private Overrides() {}

  /** The settings with those of the command line in every environment. */
  static Settings in(Settings settings, List<String> assignments) {
    Settings changed = settings;
    for (String assignment : assignments) {
      int equals = assignment.indexOf('=');
      if (equals < 1) {
        throw new SettingsProblem(
            OPTION + assignment
                + ": there is no value; write it like --set services.beeyard.url=http://127.0.0.1:7411/api");
      }
      String key = assignment.substring(0, equals);
      changed = with(
          changed, key, SettingsValue.ofOption(assignment.substring(equals + 1), OPTION + key));
    }
    return changed;
  }

  private static Settings with(Settings settings, String key, SettingsValue value) {
    if (key.equals("readOnly")) {
      Quantities.truth(value.text(), value.place(), key);
      return settings.eachEnvironment(one -> one.readOnly(value));
    }
    String[] steps = key.split("\\.", 3);
    if (steps.length == 3 && steps[0].equals("databases")) {
      return database(settings, steps[1], steps[2], value);
    }
    if (steps.length < 3 || !steps[0].equals("services")) {
      throw new SettingsProblem(
          value.place()
              + ": unknown setting; known are readOnly, services.NAME.KEY and databases.NAME.KEY, like services.beeyard.url");
    }
    if (!ServiceKeys.isKnown(steps[2])) {
      throw new SettingsProblem("%s: unknown key '%s' of a service; %s"
          .formatted(
              value.place(), steps[2], new KnownKeys(ServiceKeys.top()).insteadOf(steps[2])));
    }
    ServiceKeys.check(steps[2], value);
    Set<String> services = new TreeSet<>();
    settings
        .environments()
        .values()
        .forEach(one -> services.addAll(one.services().keySet()));
    refuseUnknown("service", steps[1], steps[2], services, value);
    return settings.eachEnvironment(one -> set(one, steps[1], steps[2], value));
  }

  private static Settings database(
      Settings settings, String name, String key, SettingsValue value) {
    if (!DatabaseSettings.KEYS.contains(key)) {
      throw new SettingsProblem("%s: unknown key '%s' of a database; %s"
          .formatted(value.place(), key, new KnownKeys(DatabaseSettings.KEYS).insteadOf(key)));
    }
    ServiceKeys.check(key, value);
    Set<String> all = new TreeSet<>();
    settings.environments().values().forEach(one -> all.addAll(one.databases().keySet()));
    refuseUnknown("database", name, key, all, value);
    return settings.eachEnvironment(environment -> {
      Map<String, DatabaseSettings> databases = new LinkedHashMap<>(environment.databases());
      DatabaseSettings before = databases.get(name);
      if (before == null && !key.equals("url")) {
        return environment;
      }
      databases.put(
          name,
          before == null
              ? new DatabaseSettings(name, Map.of(key, value))
              : before.with(Map.of(key, value)));
      return environment.databases(databases);
    });
  }

  /** Where the settings name none, an address may bring one. */
  private static void refuseUnknown(
      String kind, String name, String key, Set<String> known, SettingsValue value) {
    if (known.contains(name) || known.isEmpty() && key.equals("url")) {
      return;
    }
    String hint = NearestMatch.hint(name, known);
    throw new SettingsProblem("%s: no environment has a %s '%s'; %s%s"
        .formatted(
            value.place(),
            kind,
            name,
            known.isEmpty() ? "there are none" : "there are " + Words.names(known),
            hint.isEmpty() ? "" : " (" + hint + ")"));
  }

  /** A service that is only known by its address may be new. */
  private static EnvironmentSettings set(
      EnvironmentSettings environment, String service, String key, SettingsValue value) {
    Map<String, ServiceSettings> services = new LinkedHashMap<>(environment.services());
    ServiceSettings before = services.get(service);
    if (before == null && !key.equals("url")) {
      return environment;
    }
    services.put(
        service,
        before == null
            ? new ServiceSettings(service, Map.of(key, value))
            : before.with(Map.of(key, value)));
    return environment.services(services);
  }
}
