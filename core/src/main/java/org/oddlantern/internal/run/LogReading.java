package org.oddlantern.internal.run;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.ServiceLog;
import org.oddlantern.internal.record.LogRecord;

/**
 * Reads what a service wrote into its log while a call was under way.
 *
 * @param span where the log was then
 */
record LogReading(ServiceLog.Span span) {

  /** So much of a log is looked through for one call. */
  private static final int LONGEST_LOOK = 1 << 20;

  /** So much of it is kept. */
  private static final int LONGEST = 64 << 10;

  /** Some write a little after they have answered. */
  private static final Duration PATIENCE = Duration.ofMillis(150);

  /** What goes on with the line before it: a stack trace, an indented text. */
  private static final Pattern GOES_ON = Pattern.compile(
      "\\s.*|Caused by: .*|Suppressed: .*|\\.\\.\\. \\d+ more|[\\w.$]+(?:Exception|Error)(?:: .*)?");

  /** What it said; null if it said nothing, or the file cannot be read. */
  @Nullable
  LogRecord read() {
    try {
      long from = start();
      String text = text(from);
      List<String> named = named(text);
      if (!named.isEmpty()) {
        return new LogRecord(true, cut(named));
      }
      long length = span.to().offset() - from;
      List<String> meanwhile = length <= 0 ? List.of() : before(text, length);
      return meanwhile.isEmpty() ? null : new LogRecord(false, cut(meanwhile));
    } catch (IOException e) {
      return null;
    }
  }

  /** The same, waiting a little while nothing is said. */
  @Nullable
  LogRecord readPatiently() {
    long until = System.nanoTime() + PATIENCE.toNanos();
    LogRecord said = read();
    while (said == null && System.nanoTime() < until) {
      try {
        Thread.sleep(10);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return null;
      }
      said = read();
    }
    return said;
  }

  /** Where it ended when the call was sent; the beginning of a file that is another now, or was cut. */
  private long start() throws IOException {
    Path file = span.file();
    BasicFileAttributes now = Files.readAttributes(file, BasicFileAttributes.class);
    boolean same = Objects.equals(now.fileKey(), span.from().key());
    return same && now.size() >= span.from().offset() ? span.from().offset() : 0;
  }

  private String text(long from) throws IOException {
    try (RandomAccessFile file = new RandomAccessFile(span.file().toFile(), "r")) {
      file.seek(from);
      byte[] bytes = new byte[(int) Math.min(LONGEST_LOOK, Math.max(0, file.length() - from))];
      file.readFully(bytes);
      return new String(bytes, StandardCharsets.UTF_8);
    }
  }

  /** The lines of so many bytes at its beginning. */
  private static List<String> before(String text, long bytes) {
    List<String> lines = new ArrayList<>();
    long read = 0;
    for (String line : text.lines().toList()) {
      if (read >= bytes) {
        break;
      }
      lines.add(line);
      read += line.getBytes(StandardCharsets.UTF_8).length + 1;
    }
    return lines;
  }

  private List<String> named(String text) {
    List<String> found = new ArrayList<>();
    boolean goesOn = false;
    for (String line : text.lines().toList()) {
      boolean named = span.names().stream().anyMatch(line::contains);
      goesOn = named || goesOn && GOES_ON.matcher(line).matches();
      if (goesOn) {
        found.add(line);
      }
    }
    return found;
  }

  private static List<String> cut(List<String> lines) {
    List<String> kept = new ArrayList<>();
    int length = 0;
    for (String line : lines) {
      length += line.length() + 1;
      if (length > LONGEST) {
        kept.add("... and more");
        break;
      }
      kept.add(line);
    }
    return kept;
  }
}
