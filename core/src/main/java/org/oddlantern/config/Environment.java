package org.oddlantern.config;

import java.util.Map;
import java.util.function.UnaryOperator;
import org.oddlantern.http.Service;
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
        use: local
        environments:
          local:
            services:
              beeyard: { url: "http://127.0.0.1:7411/api" }
      """;

  private final Settings settings;
  private final EnvironmentSettings own;
  private final Map<String, String> variables;
  private final UnaryOperator<Service> binding;

  /**
   * An environment for one case; the runner makes it.
   *
   * @param settings all settings, for messages
   * @param own what the settings say of this environment
   * @param variables environment variables by name
   * @param binding ties a service to the case that will use it
   */
  public Environment(
      Settings settings,
      EnvironmentSettings own,
      Map<String, String> variables,
      UnaryOperator<Service> binding) {
    this.settings = settings;
    this.own = own;
    this.variables = Map.copyOf(variables);
    this.binding = binding;
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
   * A service of this environment, which remembers the case that asked for it.
   *
   * @param name the name in the settings
   * @return the service
   * @throws SettingsProblem if there is none of that name, with the names there are
   */
  public Service service(String name) {
    ServiceSettings found = own.services().get(name);
    if (found == null) {
      throw new SettingsProblem(unknown(name));
    }
    return binding.apply(found.service(settings.sources(variables)));
  }

  private String unknown(String name) {
    if (settings.origin().isEmpty()) {
      return "the service '%s' is asked for, but no %s was found; put one beside the build file:%n%s"
          .formatted(name, Settings.FILE, LINES_TO_PASTE.replace("beeyard", name));
    }
    String hint = NearestMatch.hint(name, own.services().keySet());
    return "the environment '%s' in %s has no service '%s'; %s%s"
        .formatted(
            own.name(),
            settings.origin(),
            name,
            own.services().isEmpty()
                ? "it has none"
                : "it has " + Words.names(own.services().keySet()),
            hint.isEmpty() ? "" : " (" + hint + ")");
  }
}
