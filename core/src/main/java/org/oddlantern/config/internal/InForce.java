package org.oddlantern.config.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.oddlantern.internal.Masked;

/** Tells what is in force in an environment. */
record InForce(Settings settings, Map<String, String> variables) {

  List<SettingInForce> of(EnvironmentSettings environment) {
    List<SettingInForce> lines = new ArrayList<>();
    SettingsValue readOnly = environment.readOnly();
    if (readOnly != null) {
      lines.add(new SettingInForce("readOnly", readOnly.text(), readOnly.place()));
    }
    environment
        .services()
        .forEach((name, service) -> service
            .values()
            .forEach((key, value) -> lines.add(line("services." + name + "." + key, key, value))));
    environment
        .databases()
        .forEach((name, database) -> database
            .values()
            .forEach((key, value) -> lines.add(line("databases." + name + "." + key, key, value))));
    settings
        .mask()
        .forEach(entry -> lines.add(new SettingInForce("mask", entry, settings.origin())));
    lines.addAll(settings.schemas().inForce(settings.origin()));
    lines.addAll(settings.history().inForce(settings.origin()));
    settings
        .unwatched()
        .forEach(place -> lines.add(new SettingInForce("unwatched", place, settings.origin())));
    if (settings.strictPromises()) {
      lines.add(new SettingInForce("promises", "strict", settings.origin()));
    }
    return lines;
  }

  private SettingInForce line(String whole, String key, SettingsValue value) {
    String missing = value.variables().stream()
        .filter(name -> !variables.containsKey(name))
        .findFirst()
        .orElse("");
    String origin = value.place()
        + (value.inFile() ? ", file " + value.text() : "")
        + (value.variables().isEmpty()
            ? ""
            : ", from $" + String.join(" and $", value.variables()));
    if (!missing.isEmpty()) {
      return new SettingInForce(whole, "(" + missing + " is not set)", origin);
    }
    boolean hidden = ServiceKeys.isSecret(key, value) || isMasked(key);
    return new SettingInForce(whole, hidden ? Masked.TEXT : shown(value), origin);
  }

  private String shown(SettingsValue value) {
    return value
        .resolved(settings.sources(variables))
        .replaceAll("(?<=://)[^/@]*(?=@)", Masked.TEXT);
  }

  private boolean isMasked(String key) {
    return key.startsWith("headers.")
        && settings.mask().stream()
            .anyMatch(entry -> entry.equalsIgnoreCase(key.substring("headers.".length())));
  }
}
