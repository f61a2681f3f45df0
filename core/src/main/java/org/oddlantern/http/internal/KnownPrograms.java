package org.oddlantern.http.internal;

import java.net.URI;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.CurrentCase;

/** The programs that a run has started, for what there is to say when a call to one goes wrong. Thread-safe. */
public final class KnownPrograms {

  private static final Set<String> LOOPBACK = Set.of("127.0.0.1", "localhost", "[::1]");

  private final List<Known> programs = new CopyOnWriteArrayList<>();

  /** A run that has started none. */
  public KnownPrograms() {}

  /** Those of the run at work; none outside a run. */
  public static KnownPrograms ofRun() {
    return CurrentCase.part(KnownPrograms.class).orElseGet(KnownPrograms::new);
  }

  /** A program was started. */
  public void add(Known program) {
    programs.add(program);
  }

  /** It is over and done with. */
  public void remove(Known program) {
    programs.remove(program);
  }

  /** The log of the program that serves an address; null if nobody started one. */
  public @Nullable ServiceLog log(URI uri) {
    return at(uri).map(Known::log).orElse(null);
  }

  /** That the program which serves an address has ended, to stand after what went wrong; empty if it runs. */
  public String ended(URI uri) {
    return at(uri)
        .map(Known::ended)
        .filter(words -> !words.isEmpty())
        .map("; "::concat)
        .orElse("");
  }

  private Optional<Known> at(URI uri) {
    int port = uri.getPort();
    return LOOPBACK.contains(String.valueOf(uri.getHost()))
        ? programs.stream().filter(one -> one.servesAt(port)).findFirst()
        : Optional.empty();
  }

  /** A program that was started. */
  public interface Known {

    /** Whether it serves at a port, as far as is known. */
    boolean servesAt(int port);

    /** Where its output is written. */
    ServiceLog log();

    /** What became of it, in a sentence; empty if it runs. */
    String ended();
  }
}
