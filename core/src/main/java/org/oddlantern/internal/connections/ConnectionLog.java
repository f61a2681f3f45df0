package org.oddlantern.internal.connections;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.mask.Masker;

/**
 * The file in which a run keeps what the HTTP library says about connections and TLS. Thread-safe.
 *
 * <pre>{@code
 * 15:36:38.123Z  HiveTest#register  PooledTransport: sending GET to http://127.0.0.1:8080
 * }</pre>
 */
public final class ConnectionLog implements AutoCloseable {

  /** The name of the file, which lies beside the journal. */
  public static final String FILE = "connections.log";

  private static final DateTimeFormatter TIME =
      DateTimeFormatter.ofPattern("HH:mm:ss.SSS'Z'").withZone(ZoneOffset.UTC);

  private final Path file;
  private final BufferedWriter writer;
  private @Nullable Masker masker;
  private boolean closed;
  private @Nullable IOException broken;

  private ConnectionLog(Path file) throws IOException {
    this.file = file;
    this.writer = Files.newBufferedWriter(file, StandardCharsets.UTF_8);
  }

  /**
   * Begins the file beside a journal; one that is there is replaced.
   *
   * @param journal the journal of the run
   * @return the log
   * @throws IOException if it cannot be written
   */
  public static ConnectionLog beside(Path journal) throws IOException {
    return new ConnectionLog(journal.resolveSibling(FILE));
  }

  /**
   * Says who hides secrets; nothing is written before.
   *
   * @param hiding hides what is a secret in a line
   */
  public synchronized void maskedBy(Masker hiding) {
    masker = hiding;
  }

  /**
   * Writes down what the library says; of what follows the first failure of the file nothing is kept.
   *
   * @param who the part of the library that says it
   * @param text what it says
   * @param thrown what it met; null if nothing
   */
  void add(String who, String text, @Nullable Throwable thrown) {
    Thread thread = Thread.currentThread();
    String work = CurrentCase.part(AtWork.class).map(one -> one.nameIn(thread)).orElse("");
    String met = thrown == null
        ? ""
        : " (" + thrown.getClass().getSimpleName() + ": " + thrown.getMessage() + ")";
    write("%s  %s  %s: %s%s"
        .formatted(
            TIME.format(Instant.now()),
            work.isEmpty() ? thread.getName() : work,
            who,
            text.strip(),
            met));
  }

  private synchronized void write(String line) {
    if (closed || broken != null || masker == null) {
      return;
    }
    try {
      writer.write(masker.line(line.replaceAll("\\R", " ")));
      writer.newLine();
      writer.flush(); // of a run that was killed it shows how far it came
    } catch (IOException e) {
      broken = e;
    }
  }

  /**
   * What went wrong with the file.
   *
   * @return a sentence; empty if nothing did
   */
  public synchronized String problem() {
    return broken == null ? "" : "the log of connections " + file + " is cut off: " + broken;
  }

  @Override
  public synchronized void close() {
    closed = true;
    try {
      writer.close();
    } catch (IOException e) {
      broken = broken == null ? e : broken;
    }
  }

  @Override
  public String toString() {
    return file.toString();
  }
}
