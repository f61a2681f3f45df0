package org.oddlantern.config.internal;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.database.Database;
import org.oddlantern.json.Secret;

/**
 * What the settings say of one database. Values may hold {@code ${NAME}}, which stands for an
 * environment variable.
 *
 * @param name its name
 * @param values what is set, by key
 */
public record DatabaseSettings(String name, Map<String, SettingsValue> values) {

  /** The keys that are known. */
  static final List<String> KEYS = List.of("url", "user", "password", "timeout");

  /**
   * The database as defined.
   *
   * @param sources where variables and files are found
   * @return the database
   * @throws SettingsProblem if a variable or a file is missing, or a value cannot be used
   */
  public Database database(SettingsSources sources) {
    SettingsValue url = values.get("url");
    if (url == null) {
      throw new SettingsProblem("the database '" + name + "' has no address");
    }
    try {
      Database database = Database.reachedAt(url.resolved(sources)).named(name);
      SettingsValue user = values.get("user");
      SettingsValue password = values.get("password");
      if (user == null && password != null) {
        throw new SettingsProblem(password.place() + ": the database '" + name
            + "' has a password and no user; add user: NAME, which may be empty");
      }
      if (user != null) {
        Secret secret = password == null ? Secret.of("") : password.secret(sources);
        database = database.signingIn(user.resolved(sources), secret);
      }
      SettingsValue timeout = values.get("timeout");
      return timeout == null
          ? database
          : database.timeout(
              Quantities.duration(timeout.resolved(sources), timeout.place(), "timeout"));
    } catch (IllegalArgumentException e) {
      throw new SettingsProblem(url.place() + ": " + e.getMessage());
    }
  }

  /** These settings with values in the stead of others. */
  DatabaseSettings with(Map<String, SettingsValue> others) {
    Map<String, SettingsValue> all = new LinkedHashMap<>(values);
    all.putAll(others);
    return new DatabaseSettings(name, all);
  }
}
