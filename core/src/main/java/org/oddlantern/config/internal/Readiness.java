package org.oddlantern.config.internal;

import java.time.Duration;

/**
 * What says that a service is ready: a GET that is answered without an error.
 *
 * @param path the path to ask
 * @param within how long to wait for it
 */
public record Readiness(String path, Duration within) {

  static final Duration STANDARD = Duration.ofSeconds(60);
}
