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
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.Caller;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.ServiceLog;
import org.oddlantern.internal.record.LogRecord;

/**
 * Reads what a service wrote into its log while a call was under way.
 *
 * @param exchange the call
 * @param span where the log was then
 */
record LogReading(Exchange exchange, ServiceLog.Span span) {

  /** So much of a log is looked through for one call. */
  private static final int LONGEST_LOOK = 4 << 20;

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
    List<String> names = names();
    long until = System.nanoTime() + PATIENCE.toNanos();
    LogRecord said = now(names);
    while ((said == null || !said.named() && !names.isEmpty()) && System.nanoTime() < until) {
      try {
        Thread.sleep(10);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return said;
      }
      said = now(names);
    }
    return said;
  }

  /** What a line has in it that belongs to the call: its trace, or its case. */
  private List<String> names() {
    List<String> names = new ArrayList<>();
    exchange.request().headers().fields().forEach(header -> {
      if (header.name().equalsIgnoreCase(Caller.HEADER)) {
        Stream.of(header.value().split("-", -1))
            .filter(part -> part.length() == 32)
            .forEach(names::add);
      } else if (header.name().equalsIgnoreCase("Odd-Lantern-Case")) {
        names.add(header.value());
      }
    });
    return names;
  }

  private @Nullable LogRecord now(List<String> names) {
    try {
      long from = start();
      List<String> named = named(text(from, LONGEST_LOOK), names);
      if (!named.isEmpty()) {
        return new LogRecord(true, cut(named));
      }
      long length = span.to().offset() - from;
      List<String> meanwhile = length <= 0
          ? List.of()
          : text(from, (int) Math.min(length, LONGEST)).lines().toList();
      return meanwhile.isEmpty() ? null : new LogRecord(false, cut(meanwhile));
    } catch (IOException e) {
      return null;
    }
  }

  /** Where it ended when the call was sent; the beginning of a file that is another now, or was cut. */
  private long start() throws IOException {
    Path file = span.file();
    BasicFileAttributes now = Files.readAttributes(file, BasicFileAttributes.class);
    boolean same = Objects.equals(now.fileKey(), span.from().key());
    return same && now.size() >= span.from().offset() ? span.from().offset() : 0;
  }

  private String text(long from, int most) throws IOException {
    try (RandomAccessFile file = new RandomAccessFile(span.file().toFile(), "r")) {
      file.seek(from);
      byte[] bytes = new byte[(int) Math.min(most, Math.max(0, file.length() - from))];
      file.readFully(bytes);
      return new String(bytes, StandardCharsets.UTF_8);
    }
  }

  private static List<String> named(String text, List<String> names) {
    List<String> found = new ArrayList<>();
    boolean goesOn = false;
    for (String line : text.lines().toList()) {
      boolean named = names.stream().anyMatch(line::contains);
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
