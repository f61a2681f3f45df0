package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LogRecord;
import org.oddlantern.json.Secret;
import org.oddlantern.program.Program;
import org.oddlantern.program.RunningProgram;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Supply;
import org.oddlantern.testing.ServingProgram;

/** The service under test as a program of the run: what its cases tell of it, and that it ends with it. */
@Timeout(60)
class ProgramRunTest {

  @Test
  void whatItSaysIsItsLogAndItsEndIsTheReason() {
    Trial trial = run("YardTest");
    assertEquals("passed up, failed broken, errored crash, errored after", trial.outcomes());
    assertEquals(null, trial.one("up").exchanges().get(0).log());
    LogRecord said = trial.one("broken").exchanges().get(0).log();
    assertTrue(said != null && said.named(), String.valueOf(said));
    assertEquals(1, said.lines().size());
    assertTrue(said.lines().get(0).startsWith("asked /broken 00-"), said.lines().toString());
    ExchangeRecord crash = trial.one("crash").exchanges().get(0);
    String fault = String.valueOf(crash.fault());
    assertTrue(fault.contains("; the program yard has ended with status 9; it said last:"), fault);
    assertTrue(fault.endsWith("\n  the hive is on fire"), fault);
    String after = String.valueOf(trial.one("after").exchanges().get(0).fault());
    assertTrue(
        after.contains("nothing accepts connections") && after.contains("has ended with status 9"),
        after);
  }

  @Test
  void whatIsReadyByALineServesAtThePortThatItWasTold() {
    Trial trial = run("SayingYardTest");
    assertEquals("errored crash", trial.outcomes());
    String fault = String.valueOf(trial.one("crash").exchanges().get(0).fault());
    assertTrue(fault.endsWith("\n  the hive is on fire"), fault);
  }

  @Test
  void itEndsWithTheRunAndLeavesNothing() {
    Trial trial = run("EndingYardTest");
    assertEquals("passed up", trial.outcomes());
    assertEquals(List.of(), trial.putBacks());
    RunningProgram program = EndingYardTest.program;
    assertFalse(program == null || program.isRunning());
  }

  @Test
  void whyItDidNotComeUpIsTheSuppliesFailureAndItsSecretsAreMasked() {
    Trial trial = run("FailingYardTest");
    assertEquals("errored yard, blocked up", trial.outcomes());
    String message = String.valueOf(trial.cases().get(0).problem());
    assertTrue(message.contains("ended with status 4"), message);
    assertTrue(message.contains("cannot log in with ***"), message);
  }

  private static Trial run(String suite) {
    return Trial.inLanes(1, "http://127.0.0.1:1", List.of(suite));
  }

  private static Yard started() {
    int port = Program.freePort();
    String url = "http://127.0.0.1:" + port;
    return new Yard(
        ServingProgram.at(port).startedUntilAnswered(url + "/health", Duration.ofSeconds(20)),
        Service.reachedAt(url));
  }

  /** The service, and how it is reached. */
  record Yard(RunningProgram program, Service service) {}

  /** Cases of a service that breaks. */
  static final class YardTest {

    @Supply(value = "the yard", shared = true)
    static Yard yard() {
      return started();
    }

    @Case("up")
    void up(Yard yard) {
      yard.service().send(Call.get("/hives")).must(status(200));
    }

    @Case("broken")
    void broken(Yard yard) {
      yard.service().send(Call.get("/broken")).must(status(200));
    }

    @Case("crash")
    void crash(Yard yard) {
      yard.service().send(Call.get("/crash")).must(status(200));
    }

    @Case("after")
    void after(Yard yard) {
      yard.service().send(Call.get("/hives")).must(status(200));
    }
  }

  /** A program that is ready when it says so. */
  static final class SayingYardTest {

    @Supply(value = "the yard", shared = true)
    static Yard yard() {
      int port = Program.freePort();
      return new Yard(
          ServingProgram.at(port).startedUntilSaying("serving at", Duration.ofSeconds(20)),
          Service.reachedAt("http://localhost:" + port));
    }

    @Case("crash")
    void crash(Yard yard) {
      yard.service().send(Call.get("/crash")).must(status(200));
    }
  }

  /** A program that is looked at afterwards. */
  static final class EndingYardTest {
    static volatile RunningProgram program;

    @Supply(value = "the yard", shared = true)
    static Yard yard() {
      Yard yard = started();
      program = yard.program();
      return yard;
    }

    @Case("up")
    void up(Yard yard) {
      yard.service().send(Call.get("/hives")).must(status(200));
    }
  }

  /** A program that ends at once. */
  static final class FailingYardTest {

    @Supply(value = "the yard", shared = true)
    static Yard yard() {
      Program.of("sh", "-c", "echo \"cannot log in with $PASSWORD\"; exit 4")
          .with("PASSWORD", Secret.of("tansy-and-rue"))
          .startedUntilSaying("up", Duration.ofSeconds(20));
      throw new IllegalStateException("it came up");
    }

    @Case("up")
    void up(Yard yard) {
      yard.service().send(Call.get("/hives")).must(status(200));
    }
  }
}
