package org.oddlantern.config.internal;

import java.util.Map;

/**
 * A service that comes with suites and can be started beside them, found by the JDK's {@link
 * java.util.ServiceLoader}: what {@code odd-lantern demo} runs.
 */
public interface Example {

  /**
   * What it is called.
   *
   * @return a name for titles
   */
  String name();

  /**
   * Starts the service.
   *
   * @param withFaults whether its built-in faults are switched on
   * @return the running service
   * @throws Exception if it cannot be started
   */
  Running start(boolean withFaults) throws Exception;

  /** A started example; closing it stops it. */
  interface Running extends AutoCloseable {

    /**
     * Where it can be reached.
     *
     * @return addresses by the names of services in the settings
     */
    Map<String, String> addresses();

    @Override
    void close();
  }
}
