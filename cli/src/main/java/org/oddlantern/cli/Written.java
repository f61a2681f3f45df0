package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A report that is written into a file or folder, told of when all are. */
final class Written {

  private final String name;
  private final Path place;
  private final Report report;
  private volatile @Nullable Throwable problem;

  Written(String name, Path place, Report report) {
    this.name = name;
    this.place = place;
    this.report = report;
  }

  /** Writes it in a thread of its own. */
  Thread begun() {
    Thread thread = new Thread(this::write, "odd-lantern " + name);
    thread.start();
    return thread;
  }

  void write() {
    try {
      report.write(place);
    } catch (IOException | RuntimeException | Error e) {
      problem = e;
    }
  }

  /** Says where it is; gives what kept it from being written. */
  Optional<String> told(Terminal terminal) {
    if (problem != null) {
      terminal.tellCause(problem);
      return Optional.of("the " + name + " could not be written to " + place + ": " + problem);
    }
    if (!Files.exists(place)) {
      return Optional.empty(); // there was nothing to write
    }
    String shown =
        name.equals("report") ? place.resolve("index.html").toString() : place.toString();
    terminal.out().println("%-9s %s".formatted(name, shown));
    return Optional.empty();
  }

  /** Writes something. */
  interface Report {
    void write(Path place) throws IOException;
  }
}
