package org.oddlantern.database;

import java.sql.Connection;
import java.sql.Driver;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Properties;
import java.util.ServiceLoader;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Masked;
import org.oddlantern.json.Secret;

/**
 * Opens connections with whatever driver the suites bring along.
 *
 * @param url the JDBC address
 * @param user the user; null if the address or the database needs none
 * @param password the password; null if none is needed
 */
record Connector(
    String url, @Nullable String user, @Nullable Secret password) {

  Connection open() throws SQLException {
    Properties properties = new Properties();
    if (user != null) {
      properties.setProperty("user", user);
    }
    if (password != null) {
      properties.setProperty("password", password.reveal());
    }
    Set<String> known = new LinkedHashSet<>();
    for (Driver driver : drivers()) {
      known.add(driver.getClass().getName());
      if (driver.acceptsURL(url)) {
        Connection connection = driver.connect(url, properties);
        if (connection != null) {
          return connection;
        }
      }
    }
    throw new DatabaseProblem(
        "no JDBC driver on the class path takes %s; %s; add the driver's jar to the class path of the suites"
            .formatted(
                shown(),
                known.isEmpty()
                    ? "there is none at all"
                    : "there are " + String.join(", ", known)));
  }

  /** The address without what may be a secret in it. */
  String shown() {
    return url.replaceAll("(?i)(password|pwd)=[^;&]*", "$1=***")
        .replaceAll("(?<=//)[^/@]*(?=@)", Masked.TEXT);
  }

  /** Those of the suites' class path, then those that somebody registered. */
  private static List<Driver> drivers() {
    Set<Driver> drivers = new LinkedHashSet<>();
    ClassLoader loader = Thread.currentThread().getContextClassLoader();
    ServiceLoader.load(Driver.class, loader).forEach(drivers::add);
    drivers.addAll(Collections.list(DriverManager.getDrivers()));
    return List.copyOf(drivers);
  }
}
