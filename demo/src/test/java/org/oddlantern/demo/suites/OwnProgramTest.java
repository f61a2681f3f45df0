package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.io.File;
import java.net.URISyntaxException;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.demo.beeyard.BeeyardProgram;
import org.oddlantern.http.Call;
import org.oddlantern.http.NoReply;
import org.oddlantern.http.Service;
import org.oddlantern.program.Program;
import org.oddlantern.program.RunningProgram;
import org.oddlantern.standin.Observed;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Changes;
import org.oddlantern.suite.NotAgain;
import org.oddlantern.suite.Supply;

/** The beeyard as a program of its own, which the suite starts, kills and starts again. */
public class OwnProgramTest {

  /** The program, and where it serves. */
  record Yard(RunningProgram program, String url) {}

  private final Service beeyard;

  OwnProgramTest(Environment env, Yard yard) {
    beeyard = env.service("beeyard").movedTo(yard.url());
  }

  @Supply(value = "a beeyard as a program of its own", shared = true)
  static Yard start() throws URISyntaxException {
    int port = Program.freePort();
    String url = "http://127.0.0.1:" + port + "/api";
    RunningProgram program = Program.of(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-XX:TieredStopAtLevel=1",
            "-cp",
            classPath(),
            BeeyardProgram.class.getName())
        .named("beeyard")
        .with("PORT", port)
        .startedUntilAnswered(url + "/health", Duration.ofSeconds(30));
    return new Yard(program, url);
  }

  @Case("a beeyard of its own is well, and says where it is")
  void isWell(Yard yard) {
    beeyard.send(Call.get("/health")).must(status(200), body(Map.of("status", "ok")));
    eventually(
        Duration.ofSeconds(2),
        () -> Observed.of("what the beeyard says", yard.program().lastLines())
            .must(itemsIncluding("the beeyard is open at " + yard.url())));
  }

  @Case("a beeyard that was killed says nothing, and is well again when it is started anew")
  @NotAgain("it is about a program that is really killed")
  void again(@Changes Yard yard) {
    yard.program().kill();
    try {
      beeyard.send(Call.get("/health").named("ask a beeyard that is gone"));
      throw new AssertionError("it was answered");
    } catch (NoReply gone) {
      Observed.of(
              "why it says nothing",
              String.valueOf(gone.getMessage()).lines().findFirst().orElse(""))
          .must(textMatching(".*the program beeyard has ended with status 137 \\(killed\\).*"));
    }
    yard.program().restart();
    beeyard.send(Call.get("/health")).must(status(200));
  }

  /** What this suite runs on: the jars it was loaded from, or the class path of the build. */
  private static String classPath() throws URISyntaxException {
    if (OwnProgramTest.class.getClassLoader() instanceof URLClassLoader loader) {
      List<String> files = new ArrayList<>();
      for (URL url : loader.getURLs()) {
        files.add(Path.of(url.toURI()).toString());
      }
      return String.join(File.pathSeparator, files);
    }
    return System.getProperty("java.class.path");
  }
}
