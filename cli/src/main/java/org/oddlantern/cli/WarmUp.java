package org.oddlantern.cli;

import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.lang.reflect.Method;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import org.oddlantern.check.Checks;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.http.Call;
import org.oddlantern.http.NoReply;
import org.oddlantern.http.Service;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.reports.console.ConsoleReport;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.internal.run.Guest;
import org.oddlantern.internal.run.GuestRun;
import org.oddlantern.internal.run.RunOrder;

/**
 * Makes calls to a socket of its own, checks them and records them in a journal that nobody reads: in many
 * lanes the first cases all begin at once, and code that has run before runs much faster. It goes on while
 * suites are read, on a processor that has nothing else to do then.
 */
final class WarmUp {

  private static final int ROUNDS = 250;

  private final BooleanSupplier over;

  /** One that ends as soon as it is over. */
  WarmUp(BooleanSupplier over) {
    this.over = over;
  }

  /** Does it in this thread. */
  void run() {
    try (AnsweringSocket socket = new AnsweringSocket()) {
      calls(socket.address());
    } catch (IOException | NoReply | NoSuchMethodException e) {
      // a run does as well without, only a little slower at its beginning
    }
  }

  private void calls(String address) throws IOException, NoSuchMethodException {
    Path folder = Files.createTempDirectory("odd-lantern");
    Path file = folder.resolve("journal.jsonl");
    RunOrder order = new RunOrder(
        "warm-up",
        Plan.EMPTY,
        Settings.NONE,
        Settings.NONE.environment(null),
        Map.of(),
        WarmUp.class.getClassLoader(),
        "warm-up",
        1);
    ConsoleReport console = new ConsoleReport(
        new PrintStream(OutputStream.nullOutputStream(), false, StandardCharsets.UTF_8),
        new Style(false));
    try (JournalWriter writer = new JournalWriter(file);
        GuestRun run = new GuestRun(order, Clock.systemUTC(), List.of(console, writer), null)) {
      Method method = WarmUp.class.getDeclaredMethod("run");
      for (int round = 0; round < ROUNDS && !over.getAsBoolean(); round++) {
        Guest guest = run.begin(WarmUp.class, method, String.valueOf(round), "warm-up");
        Service.reachedAt(address)
            .send(Call.get("/hives/{id}", round))
            .must(Checks.status(200), Checks.at("$.id", 7));
        guest.ended(null);
      }
    } finally {
      Files.deleteIfExists(file);
      Files.deleteIfExists(folder);
    }
  }
}
