package org.oddlantern.testing;

import java.net.URISyntaxException;
import java.nio.file.Path;
import org.oddlantern.program.Program;

/** {@link ProgramMain} as a program that knows nothing of this library. */
public final class ServingProgram {

  private ServingProgram() {}

  /** The program that serves at a port, still to be started. */
  public static Program at(int port) {
    return Program.of(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-XX:TieredStopAtLevel=1",
            "-cp",
            classPath(),
            ProgramMain.class.getName(),
            "serve")
        .named("yard")
        .with("PORT", port);
  }

  private static String classPath() {
    try {
      return Path.of(ProgramMain.class
              .getProtectionDomain()
              .getCodeSource()
              .getLocation()
              .toURI())
          .toString();
    } catch (URISyntaxException e) {
      throw new IllegalStateException(e);
    }
  }
}
