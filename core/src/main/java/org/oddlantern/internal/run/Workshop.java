package org.oddlantern.internal.run;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.oddlantern.config.Environment;
import org.oddlantern.config.internal.EnvironmentSettings;
import org.oddlantern.config.internal.SettingsEnvironment;
import org.oddlantern.http.internal.BodyBudget;
import org.oddlantern.http.internal.Callers;
import org.oddlantern.http.internal.CookieJar;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.http.internal.TokenStore;
import org.oddlantern.http.internal.Transport;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.plan.CaseId;
import org.oddlantern.internal.record.RunEvent;

/**
 * What all cases of a run work with.
 *
 * @param order what to run, and on what
 * @param clock tells when things happen
 * @param run what the run is known by
 * @param masker hides secrets
 * @param environments the environments of the run
 * @param transport brings requests and replies
 * @param tokens those that the run has fetched
 * @param known what every piece of the run may ask for: what was read already, the log of connections
 * @param callers the cases under way, for those who hear of them from a service
 * @param broadcast tells what happens
 * @param atWork which case or supply a thread runs
 * @param bodies the memory that large bodies may take
 */
record Workshop(
    RunOrder order,
    Clock clock,
    String run,
    Masker masker,
    Environments environments,
    Transport transport,
    TokenStore tokens,
    List<Object> known,
    Callers callers,
    Broadcast broadcast,
    Map<Thread, String> atWork,
    BodyBudget bodies) {

  /** One in which cases are done again: nothing is sent, nobody hears, no token is fetched. */
  Workshop again() {
    Callers nobody = new Callers(run, sentence -> {});
    List<Object> same = new ArrayList<>(known);
    same.replaceAll(one -> one instanceof Callers ? nobody : one);
    return new Workshop(
        order,
        clock,
        run,
        masker,
        environments,
        new NoTransport(),
        new TokenStore(),
        List.copyOf(same),
        nobody,
        new Broadcast(List.of()),
        atWork,
        bodies);
  }

  /** Tells that something was made which is to be put back. */
  void note(CaseId who, String deed) {
    broadcast.tell(new RunEvent.UndoNoted(masker.id(who.toString()), deed));
  }

  /** The surroundings of a piece of work that sends calls of its own. */
  Surroundings surroundings(CaseLog log, String environment) {
    EnvironmentSettings settings = environments.named(environment);
    return new Surroundings(transport, log, new CookieJar(), tokens, settings.readOnlyReason());
  }

  /** The environment as that piece of work sees it. */
  Environment environment(String environment, Surroundings surroundings) {
    return new SettingsEnvironment(
        order.settings(), environments.named(environment), order.variables(), surroundings);
  }

  /** Makes what follows in this thread part of a case, until the binding is closed. */
  CurrentCase.Binding bind(Surroundings surroundings) {
    Resources files = new Resources(order.loader(), order.settings().folder());
    List<Object> parts = new ArrayList<>(List.of(surroundings, files, surroundings.recorder()));
    parts.addAll(known);
    if (surroundings.recorder() instanceof CaseLog log) {
      parts.add(log.bodies());
      parts.add(log.agreed());
    }
    return CurrentCase.bind(parts);
  }

  /** Does something in this thread as part of a case. */
  Attempt bound(Surroundings surroundings, Supplier<Attempt> work) {
    Thread thread = Thread.currentThread();
    ClassLoader before = thread.getContextClassLoader();
    thread.setContextClassLoader(order.loader());
    try (CurrentCase.Binding binding = bind(surroundings)) {
      return work.get();
    } finally {
      thread.setContextClassLoader(before);
    }
  }
}
