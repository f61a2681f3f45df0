package org.oddlantern.config.internal;

import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What the settings say of one environment.
 *
 * @param name its name
 * @param services its services by name, in the order of the file
 * @param databases its databases by name, in the order of the file
 * @param readOnly whether nothing but safe methods may be sent there; null if nobody says
 */
public record EnvironmentSettings(
    String name,
    Map<String, ServiceSettings> services,
    Map<String, DatabaseSettings> databases,
    @Nullable SettingsValue readOnly) {

  /** An environment with nothing in it. */
  static EnvironmentSettings named(String name) {
    return new EnvironmentSettings(name, Map.of(), Map.of(), null);
  }

  /**
   * Why nothing but safe methods may be sent there (RFC 9110, section 9.2.1).
   *
   * @return a sentence; empty if everything may
   */
  public String readOnlyReason() {
    SettingsValue own = readOnly;
    return own != null && Quantities.truth(own.text(), own.place(), "readOnly")
        ? "the environment '" + name + "' is read-only (" + own.place() + ")"
        : "";
  }

  EnvironmentSettings services(Map<String, ServiceSettings> others) {
    return new EnvironmentSettings(name, others, databases, readOnly);
  }

  EnvironmentSettings databases(Map<String, DatabaseSettings> others) {
    return new EnvironmentSettings(name, services, others, readOnly);
  }

  EnvironmentSettings readOnly(SettingsValue value) {
    return new EnvironmentSettings(name, services, databases, value);
  }
}
