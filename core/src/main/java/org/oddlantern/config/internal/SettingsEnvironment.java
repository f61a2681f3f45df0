package org.oddlantern.config.internal;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.oddlantern.config.Environment;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.database.Database;
import org.oddlantern.http.Service;
import org.oddlantern.http.internal.MadeFor;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;

/** An environment as the settings describe it, for one case. */
public final class SettingsEnvironment implements Environment {

  static final String LINES_TO_PASTE = """
        environment: local
        environments:
          local:
            services:
              beeyard: { url: "http://127.0.0.1:7411/api" }
      """;

  private static final String DATABASE_LINES = """
        environment: local
        environments:
          local:
            databases:
              store: { url: "jdbc:postgresql://127.0.0.1/beeyard", user: reader, password: "${STORE_PASSWORD}" }
      """;

  private final Settings settings;
  private final EnvironmentSettings own;
  private final Map<String, String> variables;
  private final Surroundings surroundings;

  /**
   * An environment for one case; the runner makes it.
   *
   * @param settings all settings, for messages
   * @param own what the settings say of this environment
   * @param variables environment variables by name
   * @param surroundings where the case works
   */
  public SettingsEnvironment(
      Settings settings,
      EnvironmentSettings own,
      Map<String, String> variables,
      Surroundings surroundings) {
    this.settings = settings;
    this.own = own;
    this.variables = Map.copyOf(variables);
    this.surroundings = surroundings;
  }

  @Override
  public String name() {
    return own.name();
  }

  @Override
  public List<String> services() {
    return List.copyOf(own.services().keySet());
  }

  @Override
  public Service service(String name) {
    ServiceSettings found = own.services().get(name);
    if (found == null) {
      throw new SettingsProblem(unknown("service", name, own.services().keySet()));
    }
    try (CurrentCase.Binding binding = CurrentCase.adding(new MadeFor(surroundings))) {
      return found.service(settings.sources(variables)).named(name);
    }
  }

  @Override
  public Database database(String name) {
    DatabaseSettings found = own.databases().get(name);
    if (found == null) {
      throw new SettingsProblem(unknown("database", name, own.databases().keySet()));
    }
    try (CurrentCase.Binding binding = CurrentCase.adding(new MadeFor(surroundings))) {
      return found.database(settings.sources(variables));
    }
  }

  private String unknown(String kind, String name, Set<String> names) {
    if (settings.origin().isEmpty()) {
      String lines = kind.equals("service") ? LINES_TO_PASTE : DATABASE_LINES;
      return "the %s '%s' is asked for, but no %s was found; put one beside the build file:%n%s"
          .formatted(kind, name, Settings.FILE, lines.replaceFirst("beeyard|store", name));
    }
    String hint = NearestMatch.hint(name, names);
    return "the environment '%s' in %s has no %s '%s'; %s%s"
        .formatted(
            own.name(),
            settings.origin(),
            kind,
            name,
            names.isEmpty() ? "it has none" : "it has " + Words.names(names),
            hint.isEmpty() ? "" : " (" + hint + ")");
  }
}
