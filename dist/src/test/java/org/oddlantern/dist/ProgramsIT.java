package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Programs that a run has started, when the command is stopped or killed: nothing of them is left. */
class ProgramsIT {

  private static final String SUITE = """
      import java.nio.file.*;
      import java.time.Duration;
      import org.oddlantern.program.*;
      import org.oddlantern.standin.*;
      import org.oddlantern.suite.*;

      public class NeighbourTest {
        public record Yard(RunningProgram program, StandIn weather) {}

        @Supply(value = "the yard", shared = true)
        static Yard yard() {
          StandIn weather = StandIn.open();
          RunningProgram program = Program.of("sh", "-c",
                  "trap 'echo asked; exit 0' TERM; echo $$; sleep 1000 & echo $!; echo up; wait")
              .startedUntilSaying("up", Duration.ofSeconds(10));
          return new Yard(program, weather);
        }

        @TidyUp
        static void close(Yard yard) throws Exception {
          Files.writeString(Path.of("tidied"), String.valueOf(yard.program().isRunning()));
        }

        @Case("something hangs")
        void hangs(Yard yard) throws Exception {
          Path said = Files.writeString(
              Path.of("said"),
              yard.program().lastLines().get(0) + "\\n" + yard.program().lastLines().get(1)
                  + "\\n" + yard.weather().port());
          Files.move(said, Path.of("running"), StandardCopyOption.ATOMIC_MOVE);
          Thread.sleep(55_000);
        }
      }
      """;

  private static final String KILLED = """
      import static org.oddlantern.check.Checks.*;
      import java.nio.file.Path;
      import java.time.Duration;
      import org.oddlantern.http.*;
      import org.oddlantern.program.*;
      import org.oddlantern.suite.*;

      public class KilledTest {
        public record Yard(RunningProgram program, Service service) {}

        @Supply(value = "the beeyard", shared = true)
        static Yard yard() {
          int port = Program.freePort();
          String url = "http://127.0.0.1:" + port + "/api";
          return new Yard(
              Program.of(
                      Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                      "-cp",
                      System.getenv("BEEYARD"),
                      "org.oddlantern.demo.beeyard.BeeyardProgram")
                  .named("beeyard")
                  .with("PORT", port)
                  .startedUntilAnswered(url + "/health", Duration.ofSeconds(30)),
              Service.reachedAt(url));
        }

        @Case("it is well")
        void well(Yard yard) { yard.service().send(Call.get("/health")).must(status(200)); }

        @Case("it is killed")
        void killed(Yard yard) {
          yard.program().kill();
          yard.service().send(Call.get("/health")).must(status(200));
        }

        @Case("it is gone")
        void gone(Yard yard) { yard.service().send(Call.get("/health")).must(status(200)); }
      }
      """;

  @TempDir
  Path folder;

  private String classes = "";

  @BeforeEach
  void compile() throws Exception {
    assumeTrue(Files.isExecutable(Path.of("/bin/sh")), "there is no POSIX shell here");
    classes = Sources.compile(folder, "NeighbourTest", SUITE).toString();
  }

  @Test
  void whatCasesSayOfABeeyardThatIsKilledInTheMiddleOfTheirSuite() throws Exception {
    String suite = Sources.compile(folder, "KilledTest", KILLED).toString();
    Command.Output output =
        Command.in(folder).with("BEEYARD", Command.demoLibraries()).run("run", suite);
    assertEquals(1, output.status(), output.out());
    assertTrue(output.out().contains("\n2 errored, 1 passed in "), output.out());
    String[] cases = output.out().split("errored  ");
    for (String told : List.of(
        "the program beeyard has ended with status 137 (killed); it said last:",
        "GET /api/health 200 00-")) {
      assertTrue(cases[1].contains(told) && cases[2].contains(told), output.out());
    }
  }

  @Test
  void afterCtrlCTheTidyUpsFindItRunningAndThenItIsGone() throws Exception {
    Command.Running running =
        Command.in(folder).startedBy(SurvivalIT.listeningToSignals(), "run", classes);
    List<String> said = said(running);
    new ProcessBuilder("kill", "-INT", String.valueOf(running.process().pid()))
        .start()
        .waitFor();
    Command.Output output = running.ended();
    assertEquals(130, output.status(), output.out() + output.err());
    assertEquals("true", Files.readString(folder.resolve("tidied")));
    assertNothingIsLeft(said);
  }

  @Test
  void afterTheCommandWasKilledNothingIsLeftWithinFiveSeconds() throws Exception {
    Command.Running running = Command.in(folder).started("run", classes);
    List<String> said = said(running);
    assertTrue(isThere(said.get(0)) && isThere(said.get(1)), said.toString());
    running.process().destroyForcibly().waitFor();
    assertNothingIsLeft(said);
  }

  /** The numbers of its processes, and the port of the stand-in. */
  private List<String> said(Command.Running running) throws Exception {
    Path file = folder.resolve("running");
    for (int i = 0; i < 2_000 && !Files.exists(file) && running.process().isAlive(); i++) {
      Thread.sleep(20);
    }
    return Files.readAllLines(file);
  }

  private static void assertNothingIsLeft(List<String> said) throws Exception {
    for (int i = 0; i < 500 && (isThere(said.get(0)) || isThere(said.get(1))); i++) {
      Thread.sleep(10);
    }
    assertTrue(!isThere(said.get(0)) && !isThere(said.get(1)), said.toString());
    try (ServerSocket free =
        new ServerSocket(Integer.parseInt(said.get(2)), 1, InetAddress.getLoopbackAddress())) {
      assertTrue(free.isBound());
    }
  }

  /** A dead process that nobody has asked about yet. */
  private static boolean isDeadAlready(String process) {
    try {
      return Files.readString(Path.of("/proc", process, "stat")).contains(") Z ");
    } catch (IOException e) {
      return false;
    }
  }

  private static boolean isThere(String process) {
    return ProcessHandle.of(Long.parseLong(process.strip()))
        .map(one -> one.isAlive() && !isDeadAlready(process.strip()))
        .orElse(false);
  }
}
