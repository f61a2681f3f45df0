package org.oddlantern.program;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.testing.ProgramMain;
import org.oddlantern.testing.ServingProgram;

/** Programs that are started, come up or not, are ended, and leave nothing behind. */
@Timeout(60)
class ProgramTest {

  private static final Duration LIMIT = Duration.ofSeconds(20);

  @TempDir
  private Path folder;

  @Test
  void readyByAddressPortOrLine() {
    int port = Program.freePort();
    try (RunningProgram one = ServingProgram.at(port)
        .startedUntilAnswered("http://127.0.0.1:" + port + "/health", LIMIT)) {
      assertTrue(one.isRunning() && one.exitStatus().isEmpty());
      assertTrue(one.lastLines().contains("serving at " + port), one.lastLines().toString());
    }
    try (RunningProgram one = ServingProgram.at(port).startedUntilListening(port, LIMIT)) {
      assertTrue(one.isRunning());
    }
    try (RunningProgram one =
        ServingProgram.at(port).startedUntilSaying("^serving at \\d+$", LIMIT)) {
      assertTrue(one.isRunning());
    }
  }

  @Test
  void itRunsInItsFolderWithItsVariables() throws Exception {
    Path out = folder.resolve("out");
    try (RunningProgram one = Program.of(
            "sh", "-c", "pwd > out; echo \"$A$B\" >> out; echo done; sleep 100")
        .inFolder(folder)
        .with("A", "tansy $B ")
        .with("B", 7)
        .startedUntilSaying("done", LIMIT)) {
      assertEquals(List.of(folder.toRealPath().toString(), "tansy $B 7"), Files.readAllLines(out));
    }
  }

  @Test
  void itIsStartedAnewWithTheSameReadiness() throws Exception {
    int port = Program.freePort();
    try (RunningProgram one = ServingProgram.at(port)
        .startedUntilAnswered("http://127.0.0.1:" + port + "/health", LIMIT)) {
      String before = pid(one);
      one.restart();
      assertTrue(one.isRunning());
      assertFalse(before.equals(pid(one)));
      one.kill();
      assertEquals(137, one.exitStatus().orElseThrow());
      assertTrue(one.toString().startsWith("the program yard has ended with status 137 (killed)"));
      try (ServerSocket other = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
        CompletableFuture.delayedExecutor(300, TimeUnit.MILLISECONDS).execute(() -> closed(other));
        one.restart();
      }
      assertTrue(one.isRunning());
      one.close();
      assertThrows(IllegalStateException.class, one::restart);
    }
  }

  private static void closed(ServerSocket socket) {
    try {
      socket.close();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Test
  void whatItHasStartedEndsWithIt() throws Exception {
    RunningProgram one = Program.of("sh", "-c", "sleep 1000 & echo $!; sleep 1001 & echo $!; wait")
        .startedUntilSaying("\\d+", LIMIT);
    List<String> children = children(one, 2);
    one.close();
    awaitGone(children);
    // whoever ends by himself takes his children along
    RunningProgram early =
        Program.of("sh", "-c", "sleep 1000 & echo $!; exit 3").started();
    children = children(early, 1);
    awaitGone(children);
    for (int i = 0; i < 500 && early.isRunning(); i++) {
      Thread.sleep(10);
    }
    assertEquals(3, early.exitStatus().orElseThrow());
    early.close();
  }

  @Test
  void whoIgnoresThePoliteEndIsEndedByForce() throws Exception {
    RunningProgram deaf = Program.of("sh", "-c", "trap '' TERM; echo $$; while :; do sleep 1; done")
        .endingWithin(Duration.ofMillis(300))
        .startedUntilSaying("\\d+", LIMIT);
    List<String> children = children(deaf, 1);
    deaf.close();
    awaitGone(children);
    assertEquals(137, deaf.exitStatus().orElseThrow());
  }

  @Test
  void itIsGoneWhenWhoeverStartedItIsKilled() throws Exception {
    Path said = folder.resolve("said");
    Process run = new ProcessBuilder(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-cp",
            System.getProperty("java.class.path"),
            ProgramMain.class.getName(),
            "start",
            said.toString())
        .redirectErrorStream(true)
        .start();
    for (int i = 0; i < 1_000 && !Files.exists(said); i++) {
      Thread.sleep(20);
    }
    List<String> started = Files.readAllLines(said);
    assertEquals(2, started.size());
    assertTrue(started.stream().allMatch(ProgramTest::isThere), started.toString());
    run.destroyForcibly().waitFor();
    awaitGone(started);
  }

  @Test
  void aFloodOfOutputIsBounded() throws Exception {
    try (RunningProgram one = Program.of(
            "sh",
            "-c",
            "yes 0123456789012345678901234567890 | head -c 60000000; echo; echo over; sleep 100")
        .startedUntilSaying("^over$", Duration.ofSeconds(50))) {
      List<String> lines = one.lastLines();
      assertEquals("over", lines.get(lines.size() - 1));
      assertTrue(lines.size() <= 1_000);
      long bytes;
      try (Stream<Path> files = Files.walk(temporary(one))) {
        bytes = files.map(Path::toFile).mapToLong(File::length).sum();
      }
      assertTrue(bytes < 3 * Output.LARGEST_FILE, String.valueOf(bytes));
    }
  }

  @Test
  void aLineWithoutEndIsBoundedToo() {
    try (RunningProgram one = Program.of(
            "sh", "-c", "head -c 30000000 /dev/zero | tr '\\0' x; echo; echo over; sleep 100")
        .startedUntilSaying("^over$", Duration.ofSeconds(50))) {
      assertTrue(one.lastLines().get(0).length() < 10_000);
    }
  }

  @Test
  void whatThereIsNoRoomForIsReadAllTheSame() throws IOException {
    Output output = new Output(folder.resolve("none/output.log"), null);
    output.read(new ByteArrayInputStream("one\r\n\ntwo".getBytes(StandardCharsets.UTF_8)));
    assertEquals(List.of("one", "two"), output.lastLines());
  }

  @Test
  void nothingIsLeftInTheTemporaryFolder() {
    RunningProgram one =
        Program.of("sh", "-c", "echo up; sleep 100").startedUntilSaying("up", LIMIT);
    Path temporary = temporary(one);
    assertTrue(Files.isDirectory(temporary));
    one.close();
    assertFalse(Files.exists(temporary));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "no-such-program | there is no 'no-such-program' that can be executed in the folders of PATH",
        "./nowhere | there is no file /",
        "./plain.txt | is not executable; allow it (chmod +x), or start what reads it"
      })
  void whatIsNotThereIsToldBeforeAnythingIsStarted(String command, String why) throws IOException {
    Files.writeString(folder.resolve("plain.txt"), "echo up");
    ProgramProblem told = assertThrows(
        ProgramProblem.class, () -> Program.of(command).inFolder(folder).started());
    assertTrue(told.getMessage().contains(why), told.getMessage());
    assertTrue(assertThrows(
            ProgramProblem.class,
            () -> Program.of("sh").inFolder(folder.resolve("none")).started())
        .getMessage()
        .contains("there is no folder"));
  }

  @Test
  void whyItDidNotComeUpIsToldWithItsLastWords() {
    ProgramProblem ended = assertThrows(
        ProgramProblem.class,
        () -> Program.of("sh", "-c", "echo first; echo 'no database' >&2; exit 7")
            .named("beeyard")
            .startedUntilAnswered("http://127.0.0.1:" + Program.freePort(), LIMIT));
    assertTrue(
        ended
            .getMessage()
            .matches(
                "(?s)the program beeyard ended with status 7 after \\d+ ms, "
                    + "before GET http://127.0.0.1:\\d+ answered; it said last:\n  first\n  no database"),
        ended.getMessage());
    ProgramProblem slow = assertThrows(
        ProgramProblem.class,
        () -> Program.of("sh", "-c", "echo $$; sleep 100")
            .named("beeyard")
            .startedUntilSaying("ready", Duration.ofMillis(300)));
    assertTrue(
        slow.getMessage()
            .startsWith("the program beeyard did not come up within 300 ms: "
                + "it said nothing like 'ready'; it said last:\n  "),
        slow.getMessage());
    ProgramProblem brief = assertThrows(
        ProgramProblem.class,
        () -> Program.of("sh", "-c", "echo ready")
            .named("beeyard")
            .startedUntilSaying("ready", LIMIT));
    assertTrue(
        brief
            .getMessage()
            .matches("the program beeyard ended with status 0 after \\d+ ms, after it said 'ready'"
                + "; it said last:\n  ready"),
        brief.getMessage());
    awaitGone(List.of(slow.getMessage().replaceAll("(?s).*\n  ", "")));
  }

  @Test
  void aPortThatIsTakenIsToldSinceSomebodyElseWouldBeTakenForReady() throws IOException {
    try (ServerSocket other = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
      ProgramProblem taken = assertThrows(
          ProgramProblem.class,
          () -> Program.of("sh").startedUntilListening(other.getLocalPort(), LIMIT));
      assertTrue(
          taken
              .getMessage()
              .startsWith("the program sh was not started: somebody listens at port "
                  + other.getLocalPort() + " already"),
          taken.getMessage());
    }
  }

  @Test
  void whatCannotBeMeantIsRefused() {
    Program program = Program.of("sh");
    for (Runnable wrong : List.<Runnable>of(
        () -> Program.of(" "),
        () -> program.with("A=B", 1),
        () -> program.endingWithin(Duration.ZERO),
        () -> program.startedUntilAnswered("ftp://127.0.0.1", LIMIT),
        () -> program.startedUntilListening(0, LIMIT),
        () -> program.startedUntilSaying("(", LIMIT),
        () -> program.startedUntilSaying("a", Duration.ZERO))) {
      assertThrows(IllegalArgumentException.class, wrong::run);
    }
  }

  private static String pid(RunningProgram one) {
    return one.lastLines().stream()
        .filter(line -> line.startsWith("process "))
        .findFirst()
        .orElseThrow();
  }

  private static List<String> children(RunningProgram one, int count) throws InterruptedException {
    for (int i = 0; i < 500 && one.lastLines().size() < count; i++) {
      Thread.sleep(10);
    }
    return one.lastLines();
  }

  private static boolean isThere(String process) {
    Optional<ProcessHandle> handle = ProcessHandle.of(Long.parseLong(process.strip()));
    return handle.isPresent() && handle.get().isAlive() && !isDeadAlready(process.strip());
  }

  /** A dead process that nobody has asked about yet. */
  private static boolean isDeadAlready(String process) {
    try {
      return Files.readString(Path.of("/proc", process, "stat")).contains(") Z ");
    } catch (IOException e) {
      return false;
    }
  }

  /** Five seconds are granted. */
  private static void awaitGone(List<String> processes) {
    try {
      for (int i = 0; i < 500 && processes.stream().anyMatch(ProgramTest::isThere); i++) {
        Thread.sleep(10);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    assertEquals(List.of(), processes.stream().filter(ProgramTest::isThere).toList());
  }

  /** The only folder of a program that is there now. */
  private static Path temporary(RunningProgram one) {
    assertTrue(one.isRunning() || one.exitStatus().isPresent());
    try (Stream<Path> files = Files.list(Path.of(System.getProperty("java.io.tmpdir")))) {
      return files
          .filter(file -> file.getFileName().toString().startsWith("odd-lantern-program"))
          .max((a, b) -> Long.compare(a.toFile().lastModified(), b.toFile().lastModified()))
          .orElseThrow();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
