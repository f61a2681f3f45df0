package org.oddlantern.config;

import java.util.List;
import org.oddlantern.database.Database;
import org.oddlantern.http.Service;

/**
 * A named set of services and databases, from {@code odd-lantern.yaml}. A suite takes it as a parameter
 * of its constructor, a case as a parameter of its method. Immutable and thread-safe.
 *
 * <pre>{@code
 * private final Service beeyard;
 *
 * HiveRegisterTest(Environment env) { beeyard = env.service("beeyard"); }
 * }</pre>
 */
public interface Environment {

  /**
   * The name of this environment.
   *
   * @return the name, as in the settings
   */
  String name();

  /**
   * The services of this environment.
   *
   * @return their names, as in the settings
   */
  List<String> services();

  /**
   * A service of this environment, which remembers the case that asked for it.
   *
   * @param name the name in the settings
   * @return the service
   * @throws SettingsProblem if there is none of that name, with the names there are
   */
  Service service(String name);

  /**
   * A database of this environment, which remembers the case that asked for it.
   *
   * @param name the name in the settings
   * @return the database
   * @throws SettingsProblem if there is none of that name, with the names there are
   */
  Database database(String name);
}
