package org.oddlantern.junit;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.oddlantern.internal.connections.ConnectionLog;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.junit.Journals;
import org.oddlantern.internal.junit.Parameters;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.run.GuestRun;

/** The one run of all tests of a request, closed by JUnit at its end. */
@SuppressWarnings("deprecation") // the older name is the one that every JUnit 5 knows
final class GuestRuns implements ExtensionContext.Store.CloseableResource, AutoCloseable {

  private final JournalWriter journal;
  private final @Nullable ConnectionLog connections;
  private final GuestRun run;

  GuestRuns(Function<String, Optional<String>> parameter) {
    Parameters parameters = new Parameters(name -> parameter.apply(name).orElse(null));
    ClassLoader context = Thread.currentThread().getContextClassLoader();
    ClassLoader loader = context == null ? GuestRuns.class.getClassLoader() : context;
    try {
      journal = Journals.in(parameters.out()).begun();
      connections = parameters.connections(journal.file());
    } catch (IOException e) {
      throw new UncheckedIOException("the journal cannot be written: " + e, e);
    }
    run = new GuestRun(
        parameters.order(Plan.EMPTY, parameters.settings(loader), loader),
        Clock.systemUTC(),
        List.of(journal),
        connections);
  }

  GuestRun run() {
    return run;
  }

  @Override
  public void close() throws IOException {
    run.close();
    if (connections != null) {
      connections.close();
    }
    journal.close();
    run.hideLateSecrets(journal.file());
  }
}
