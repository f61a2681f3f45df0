package org.oddlantern.internal.run;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.BodyBudget;
import org.oddlantern.http.internal.Callers;
import org.oddlantern.http.internal.KnownPrograms;
import org.oddlantern.http.internal.PooledTransport;
import org.oddlantern.http.internal.TokenStore;
import org.oddlantern.http.internal.Transport;
import org.oddlantern.internal.connections.ConnectionLog;
import org.oddlantern.internal.described.KnownDescriptions;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.internal.record.RunSize;
import org.oddlantern.json.internal.path.KnownPaths;
import org.oddlantern.schema.internal.KnownSchemas;

/** A run from its beginning to its end, whoever calls its cases. */
final class RunFrame {

  private final RunOrder order;
  private final Clock clock;
  private final String run = RunNames.fresh();
  private final Masker masker;
  private final Environments environments;
  private final KnownSchemas schemas;
  private final KnownDescriptions descriptions;
  private final Map<Thread, String> atWork = new ConcurrentHashMap<>();

  RunFrame(RunOrder order, Clock clock) {
    this.order = order;
    this.clock = clock;
    this.masker = new Masker(order.settings().mask());
    this.environments = new Environments(order);
    this.schemas = order.settings().schemas(order.loader(), environments.all(), order.variables());
    this.descriptions =
        order.settings().descriptions(order.loader(), environments.all(), order.variables());
  }

  Masker masker() {
    return masker;
  }

  Environments environments() {
    return environments;
  }

  /** The descriptions of services. */
  KnownDescriptions descriptions() {
    return descriptions;
  }

  /** Which of the run's own threads told the process to end, in a sentence; empty if none did. */
  Optional<String> exit() {
    return ProcessExit.of(Map.copyOf(atWork));
  }

  /** The run begins, and that is told. */
  Begun begun(List<RunListener> listeners, @Nullable ConnectionLog connections) {
    return new Begun(listeners, connections);
  }

  private RunEvent.Started started() {
    List<PlannedCase> cases = order.plan().cases();
    List<String> warnings = new ArrayList<>(order.plan().warnings());
    warnings.addAll(environments.warnings());
    warnings.addAll(order.plan().promises().notes());
    return new RunEvent.Started(
        RunEvent.Started.FORMAT,
        run,
        order.name(),
        order.environment().name(),
        order.seed(),
        clock.instant(),
        new RunSize(
            cases.size(),
            order.plan().suites(),
            order.lanes(),
            order.plan().part().toString(),
            order.shuffled()),
        warnings);
  }

  /** A run that has begun; what it sends with is closed before its end is told. */
  final class Begun implements AutoCloseable {
    private final long nanos = System.nanoTime();
    private final AtomicInteger leftBehind = new AtomicInteger();
    private final Transport transport = new PooledTransport();
    private final Workshop workshop;
    private final Entries entries;

    private Begun(List<RunListener> listeners, @Nullable ConnectionLog connections) {
      Broadcast broadcast = new Broadcast(listeners);
      Callers callers = new Callers(run, sentence -> broadcast.problem(masker.text(sentence)));
      List<Object> known = new ArrayList<>(
          List.of(new KnownPaths(), schemas, descriptions, callers, new KnownPrograms()));
      if (connections != null) {
        connections.maskedBy(masker);
        known.add(connections);
      }
      broadcast.tell(started());
      new PromisesTold(order, masker).to(broadcast);
      descriptions.heardBy(new DescriptionsTold(masker, broadcast));
      descriptionsOfFiles();
      this.workshop = new Workshop(
          order,
          clock,
          run,
          masker,
          environments,
          transport,
          new TokenStore(),
          List.copyOf(known),
          callers,
          broadcast,
          atWork,
          BodyBudget.ofHeap());
      this.entries = new Entries(workshop);
    }

    /** Those that the services themselves give are read when they are needed. */
    private void descriptionsOfFiles() {
      environments.described(order).forEach(descriptions::of);
    }

    Workshop workshop() {
      return workshop;
    }

    Entries entries() {
      return entries;
    }

    /** Counts what could not be put back. */
    AtomicInteger leftBehind() {
      return leftBehind;
    }

    /** The run is over, and that is told. */
    RunResult ended(boolean stopped) {
      workshop
          .broadcast()
          .tell(new RunEvent.Ended(
              clock.instant(),
              (System.nanoTime() - nanos) / 1_000,
              entries.counts(),
              leftBehind.get(),
              stopped,
              masker.warnings()));
      return new RunResult(
          entries.counts(), leftBehind.get(), stopped, workshop.broadcast().problems());
    }

    @Override
    public void close() {
      transport.close();
    }
  }
}
