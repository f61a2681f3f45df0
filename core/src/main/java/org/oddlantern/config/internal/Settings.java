package org.oddlantern.config.internal;

import java.nio.file.Path;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.described.KnownDescriptions;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.schema.SchemaReader;
import org.oddlantern.schema.internal.KnownSchemas;
import org.oddlantern.schema.internal.KnownSources;

/**
 * All that {@code odd-lantern.yaml} says, checked. Immutable.
 *
 * @param origin where it was read, for messages; empty if there is no file
 * @param folder the folder of the file, or null if it has none
 * @param use the environment in use when nobody chooses one; empty if the file does not say
 * @param environments the environments by name, in the order of the file
 * @param mask headers and paths whose values are hidden wherever they appear
 * @param schemas how JSON Schemas are read
 * @param history where earlier runs are kept
 * @param strictPromises whether every promise wants a case, and every case a promise
 * @param unwatched places of replies that no case need watch
 */
public record Settings(
    String origin,
    @Nullable Path folder,
    String use,
    Map<String, EnvironmentSettings> environments,
    List<String> mask,
    SchemaSettings schemas,
    HistorySettings history,
    boolean strictPromises,
    List<String> unwatched) {

  /** The name of the settings file. */
  public static final String FILE = "odd-lantern.yaml";

  /** What holds where there is no settings file. */
  public static final Settings NONE = empty("", null);

  /** What holds where a file says nothing. */
  static Settings empty(String origin, @Nullable Path folder) {
    return new Settings(
        origin,
        folder,
        "",
        Map.of(),
        List.of(),
        SchemaSettings.STANDARD,
        HistorySettings.STANDARD,
        false,
        List.of());
  }

  /**
   * The environment in use.
   *
   * @param chosen the name somebody chose, or null for the one the file names
   * @return the environment; one without services if the settings have none
   * @throws SettingsProblem if there is no environment of that name
   */
  public EnvironmentSettings environment(@Nullable String chosen) {
    String name = chosen == null ? standard() : chosen;
    EnvironmentSettings found = environments.get(name);
    if (found != null) {
      return found;
    }
    if (environments.isEmpty() && use.isEmpty() && chosen == null) {
      return EnvironmentSettings.named(name);
    }
    throw new SettingsProblem(unknown(name));
  }

  /**
   * These settings with the address of a service changed in every environment that has it.
   *
   * @param addresses addresses by the name of the service
   * @return the settings
   */
  public Settings movedTo(Map<String, String> addresses) {
    Map<String, EnvironmentSettings> moved = new LinkedHashMap<>();
    environments.forEach((name, environment) -> moved.put(name, moved(environment, addresses)));
    return new Settings(
        origin, folder, use, moved, mask, schemas, history, strictPromises, unwatched);
  }

  private static EnvironmentSettings moved(
      EnvironmentSettings environment, Map<String, String> addresses) {
    Map<String, ServiceSettings> services = new LinkedHashMap<>(environment.services());
    services.replaceAll((name, service) -> {
      String address = addresses.get(name);
      return address == null
          ? service
          : service.with(Map.of("url", new SettingsValue(address, "the start of " + name)));
    });
    Map<String, DatabaseSettings> databases = new LinkedHashMap<>(environment.databases());
    databases.replaceAll((name, database) -> {
      String address = addresses.get(name);
      return address == null
          ? database
          : database.with(Map.of("url", new SettingsValue(address, "the start of " + name)));
    });
    return environment.services(services).databases(databases);
  }

  /**
   * These settings with those given on the command line, which win over everything else.
   *
   * @param assignments like {@code services.beeyard.url=http://127.0.0.1:7411/api}
   * @return the settings
   * @throws SettingsProblem if one of them cannot be understood
   */
  public Settings overriddenBy(List<String> assignments) {
    return Overrides.in(this, assignments);
  }

  /**
   * Where the settings find what they only name.
   *
   * @param variables environment variables by name
   * @return the sources
   */
  public SettingsSources sources(Map<String, String> variables) {
    return new SettingsSources(variables, folder);
  }

  /**
   * The schemas of a run: read by these settings, from files beside the suites, and from the hosts that
   * are allowed, to which those of the services in use belong.
   *
   * @param loader the class path of the suites
   * @param environments those in use
   * @param variables environment variables by name
   * @return the schemas, none of them read yet
   */
  public KnownSchemas schemas(
      ClassLoader loader,
      Collection<EnvironmentSettings> environments,
      Map<String, String> variables) {
    SchemaReader reader = schemas.reader();
    for (String host : hosts(environments, variables)) {
      reader = reader.fetchingFrom(host);
    }
    return new KnownSchemas(reader, new Resources(loader, folder));
  }

  /** The descriptions of a run, in the same way. */
  public KnownDescriptions descriptions(
      ClassLoader loader,
      Collection<EnvironmentSettings> environments,
      Map<String, String> variables) {
    Set<String> hosts = hosts(environments, variables);
    hosts.addAll(schemas.hosts());
    KnownSources files = new KnownSources(new Resources(loader, folder), Map.of(), hosts);
    return new KnownDescriptions(files, schemas.draft(), schemas.assertsFormats());
  }

  private Set<String> hosts(
      Collection<EnvironmentSettings> environments, Map<String, String> variables) {
    Set<String> hosts = new LinkedHashSet<>();
    for (EnvironmentSettings environment : environments) {
      for (ServiceSettings service : environment.services().values()) {
        hosts.add(service.host(sources(variables)));
      }
    }
    return hosts;
  }

  /**
   * What is in force in an environment, and where each value comes from; secrets hidden.
   *
   * @param chosen the name of the environment, or null for the one the file names
   * @param variables environment variables by name
   * @return a line for each value, in the order of the file
   * @throws SettingsProblem if there is no environment of that name
   */
  public List<SettingInForce> inForce(@Nullable String chosen, Map<String, String> variables) {
    return new InForce(this, variables).of(environment(chosen));
  }

  Settings eachEnvironment(UnaryOperator<EnvironmentSettings> change) {
    Map<String, EnvironmentSettings> changed = new LinkedHashMap<>();
    Map<String, EnvironmentSettings> all =
        environments.isEmpty() ? Map.of("none", EnvironmentSettings.named("none")) : environments;
    all.forEach((name, environment) -> changed.put(name, change.apply(environment)));
    return new Settings(
        origin, folder, use, changed, mask, schemas, history, strictPromises, unwatched);
  }

  private String standard() {
    if (!use.isEmpty()) {
      return use;
    }
    if (environments.size() > 1) {
      throw new SettingsProblem(
          "%s does not say which environment to use: add 'environment: NAME' at the top, or choose with --env (there are %s)"
              .formatted(origin, Words.names(environments.keySet())));
    }
    return environments.keySet().stream().findFirst().orElse("none");
  }

  private String unknown(String name) {
    if (this.equals(NONE)) {
      return "there is no environment '%s', since no %s was found; put one beside the build file:%n%s"
          .formatted(name, FILE, SettingsEnvironment.LINES_TO_PASTE);
    }
    String hint = NearestMatch.hint(name, environments.keySet());
    return "there is no environment '%s' in %s; %s%s"
        .formatted(
            name,
            origin,
            environments.isEmpty() ? "it has none" : "it has " + Words.names(environments.keySet()),
            hint.isEmpty() ? "" : " (" + hint + ")");
  }
}
