package org.oddlantern.dist.reference;

import static org.oddlantern.check.Checks.*;

import java.util.concurrent.atomic.AtomicInteger;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.KnownFault;
import org.oddlantern.suite.Pending;
import org.oddlantern.suite.Retries;
import org.oddlantern.suite.Skipped;

/** A case for every outcome and every mark, for the reference. */
final class OutcomesTest {

  private static final AtomicInteger TRIES = new AtomicInteger();

  private final Service yard;

  OutcomesTest(Environment env) {
    yard = env.service("yard");
  }

  /** What a case hands on. */
  record Hive(int id) {}

  @Case
  void passed() {
    yard.send(Call.get("/")).must(status(200));
  }

  @Case
  Hive failed() {
    yard.send(Call.get("/")).must(status(201));
    return new Hive(1);
  }

  @Case
  void errored() {
    throw new IllegalStateException("no reply, or an exception of the suite");
  }

  @Case
  void blocked(Hive hive) {
    yard.send(Call.get("/")).must(status(200));
  }

  @Case
  void interrupted() throws InterruptedException {
    Thread.sleep(60_000);
  }

  @Case
  @Skipped(why = "not today")
  void skipped() {
    yard.send(Call.get("/")).must(status(200));
  }

  @Case
  @Pending
  void pending() {}

  @Case
  @KnownFault("YARD-7")
  void knownFault() {
    yard.send(Call.get("/")).must(status(201));
  }

  @Case
  void warned() {
    yard.send(Call.get("/")).must(status(200)).warnUnless(status(201));
  }

  @Case
  void unproven() {}

  @Case
  @KnownFault("YARD-8")
  void fixed() {
    yard.send(Call.get("/")).must(status(200));
  }

  @Case
  @Retries(1)
  void flaky() {
    yard.send(Call.get("/")).must(status(TRIES.getAndIncrement() == 0 ? 201 : 200));
  }

  @Case
  void undescribed() {
    yard.send(Call.get("/unknown")).must(status(200));
  }
}
