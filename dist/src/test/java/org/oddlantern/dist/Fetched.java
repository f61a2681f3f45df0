package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Files;
import java.nio.file.Path;

/** What the scripts in {@code conformance} bring; a test without its own is skipped, in CI it fails. */
public final class Fetched {

  private Fetched() {}

  /**
   * The file or folder of a fetched standard or checker.
   *
   * @param name its place below the fetched ones
   * @return its absolute path
   */
  public static Path at(String name) {
    Path place = Path.of("../conformance/fetched").toAbsolutePath().normalize().resolve(name);
    assertTrue(Files.exists(place) || !isRequired(), place + " is missing");
    assumeTrue(Files.exists(place), "the scripts in conformance fetch " + name);
    return place;
  }

  /**
   * Whether nothing may be skipped.
   *
   * @return whether the environment variable CONFORMANCE says {@code required}
   */
  public static boolean isRequired() {
    return "required".equals(System.getenv("CONFORMANCE"));
  }
}
