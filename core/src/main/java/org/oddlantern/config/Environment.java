package org.oddlantern.config;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.oddlantern.database.Database;
import org.oddlantern.http.Service;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.json.NearestMatch;
import org.oddlantern.json.Words;

/**
 * A named set of services, from {@code odd-lantern.yaml}. A suite takes it as a parameter of its
 * constructor, a case as a parameter of its method. Immutable and thread-safe.
 *
 * <pre>{@code
 * private final Service beeyard;
 *
 * HiveRegisterTest(Environment env) { beeyard = env.service("beeyard"); }
 * }</pre>
 */
public final class Environment {

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
  public Environment(
      Settings settings,
      EnvironmentSettings own,
      Map<String, String> variables,
      Surroundings surroundings) {
    this.settings = settings;
    this.own = own;
    this.variables = Map.copyOf(variables);
    this.surroundings = surroundings;
  }

  /**
   * The name of this environment.
   *
   * @return the name, as in the settings
   */
  public String name() {
    return own.name();
  }

  /**
   * The services of this environment.
   *
   * @return their names, as in the settings
   */
  public List<String> services() {
    return List.copyOf(own.services().keySet());
  }

  /**
   * A service of this environment, which remembers the case that asked for it.
   *
   * @param name the name in the settings
   * @return the service
   * @throws SettingsProblem if there is none of that name, with the names there are
   */
  public Service service(String name) {
    ServiceSettings found = own.services().get(name);
    if (found == null) {
      throw new SettingsProblem(unknown("service", name, own.services().keySet()));
    }
    return found.service(settings.sources(variables)).boundTo(surroundings);
  }

  /**
   * A database of this environment, which remembers the case that asked for it.
   *
   * @param name the name in the settings
   * @return the database
   * @throws SettingsProblem if there is none of that name, with the names there are
   */
  public Database database(String name) {
    DatabaseSettings found = own.databases().get(name);
    if (found == null) {
      throw new SettingsProblem(unknown("database", name, own.databases().keySet()));
    }
    return found.database(settings.sources(variables)).boundTo(surroundings);
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
