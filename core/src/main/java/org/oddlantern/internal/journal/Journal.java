package org.oddlantern.internal.journal;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.ObjLongConsumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseOutcome;
import org.oddlantern.internal.record.DescribedRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.json.internal.JsonFault;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.core.JacksonException;
import org.oddlantern.shaded.tools.jackson.core.JsonParser;

/**
 * A journal as a run left it. A broken last line, as a killed run may leave it, is passed over.
 *
 * @param file the file
 */
public record Journal(Path file) {

  /** The line of the end is short; one that is longer is not it. */
  private static final int LONGEST_END = 1 << 16;

  /**
   * Where it lies, and what is beside it.
   *
   * @return its folder, as the file was named; an empty path for the working folder
   */
  public Path folder() {
    Path folder = file.getParent();
    return folder == null ? Path.of("") : folder;
  }

  /**
   * Reads the journal from its first event to its last.
   *
   * @param events hears each event
   * @throws IOException if the file cannot be read or is no journal of a known format, with the line
   */
  public void read(Consumer<RunEvent> events) throws IOException {
    readPlaced((event, place) -> events.accept(event));
  }

  /**
   * The same, with the place of each event in the file.
   *
   * @param events hears each event and its place, at which it can be read again
   * @throws IOException if the file cannot be read or is no journal of a known format, with the line
   */
  public void readPlaced(ObjLongConsumer<RunEvent> events) throws IOException {
    try {
      eachLine((line, number, last, place) -> {
        RunEvent event = event(line, number, last);
        if (event != null) {
          events.accept(event, place);
        }
      });
    } catch (UncheckedIOException e) {
      throw new IOException(file + " cannot be read: " + e.getMessage(), e);
    }
  }

  /**
   * Reads how cases and supplies went and nothing else, which is many times as fast.
   *
   * @param outcomes hears each, in the order of the journal
   * @throws IOException if the file cannot be read or is no journal of a known format, with the line
   */
  public void outcomes(Consumer<CaseOutcome> outcomes) throws IOException {
    eachLine((line, number, last, place) -> {
      CaseOutcome outcome = number == 1 ? noOutcome(line) : outcome(line, number, last);
      if (outcome != null) {
        outcomes.accept(outcome);
      }
    });
  }

  /** The first line must be one of a journal of a known format. */
  private @Nullable CaseOutcome noOutcome(byte[] line) throws IOException {
    event(line, 1, false);
    return null;
  }

  private @Nullable CaseOutcome outcome(byte[] line, int number, boolean last) throws IOException {
    try (JsonParser parser = JsonMapping.standard().parser(line)) {
      return new OutcomeLine(parser).read();
    } catch (JacksonException e) {
      passOver(number, last, JsonFault.words(e.getOriginalMessage()), e);
      return null;
    }
  }

  private void eachLine(LineHearer hearer) throws IOException {
    try (JournalLines lines = new JournalLines(file, 0, JournalLines.LARGE)) {
      int number = 1;
      for (byte[] line = lines.next(); line != null; number++) {
        long place = lines.place();
        byte[] next = lines.next();
        hearer.hear(line, number, next == null, place);
        line = next;
      }
    }
  }

  /** A killed run may leave its last line broken, and no other. */
  private void passOver(int number, boolean last, @Nullable String why, Exception cause)
      throws IOException {
    if (last && number > 1) {
      return;
    }
    throw new IOException(
        file + ", line " + number + ": this is not a line of a journal: " + why, cause);
  }

  /**
   * The end of the run, which stands in the last line.
   *
   * @return the end; null if the run was cut off
   * @throws IOException if the file cannot be read
   */
  public RunEvent.@Nullable Ended end() throws IOException {
    byte[] tail;
    try (RandomAccessFile access = new RandomAccessFile(file.toFile(), "r")) {
      tail = new byte[(int) Math.min(access.length(), LONGEST_END)];
      access.seek(access.length() - tail.length);
      access.readFully(tail);
    }
    String text = new String(tail, StandardCharsets.UTF_8).stripTrailing();
    String last = text.substring(text.lastIndexOf('\n') + 1);
    return event(last.getBytes(StandardCharsets.UTF_8), 2, true) instanceof RunEvent.Ended ended
        ? ended
        : null;
  }

  /**
   * Reads one event again.
   *
   * @param place its place in the file
   * @return the event
   * @throws IOException if the file cannot be read or has changed
   */
  public RunEvent at(long place) throws IOException {
    try (JournalLines lines = new JournalLines(file, place, JournalLines.SMALL)) {
      return placed(lines.next(), place);
    }
  }

  /** The event of a line that was read at a place. */
  RunEvent placed(byte @Nullable [] line, long place) throws IOException {
    RunEvent event = line == null ? null : event(line, 1, false);
    if (event == null) {
      throw new IOException(
          file + " has nothing at octet " + place + ": it is empty, or has changed");
    }
    return event;
  }

  /** Its cases, to be read again. */
  public PlacedCases cases() {
    return new PlacedCases(this);
  }

  /**
   * The whole text of a body, also if it lies in a file beside the journal.
   *
   * @param body the body
   * @return the text; empty if it is no text
   * @throws IOException if its file cannot be read
   */
  public String text(BodyRecord body) throws IOException {
    if (body.text() != null) {
      return body.text();
    }
    return body.file() == null || body.isPicture()
        ? ""
        : Files.readString(file.resolveSibling(body.file()));
  }

  /**
   * The whole text of a copied document, also if it lies in a file beside the journal.
   *
   * @throws IOException if its file cannot be read
   */
  public String text(DescribedRecord.Copy copy) throws IOException {
    String text = copy.text();
    return text != null
        ? text
        : copy.file() == null ? "" : Files.readString(file.resolveSibling(copy.file()));
  }

  /** The event of a line; null for a last line that is broken. */
  private @Nullable RunEvent event(byte[] line, int number, boolean last) throws IOException {
    try {
      return event(MembersReading.of(line), number);
    } catch (JacksonException e) {
      passOver(number, last, JsonFault.words(e.getOriginalMessage()), e);
      return null;
    } catch (Members.Misread e) {
      throw new IOException(
          file + ", line " + number + ": this is not a line of a journal that this version reads: "
              + e.getMessage(),
          e);
    }
  }

  private RunEvent event(Members line, int number) throws IOException {
    int format = line.count(Member.FORMAT);
    if (format != RunEvent.Started.FORMAT && line.has(Member.FORMAT)) {
      throw new IOException(String.format(
          Locale.ROOT,
          "%s is written in format %d; this version of Odd Lantern reads format %d",
          file,
          format,
          RunEvent.Started.FORMAT));
    }
    String event = line.text(Member.EVENT);
    if (!EventName.ALL.contains(event)) {
      throw new IOException(String.format(
          Locale.ROOT,
          "%s, line %d: this is not a line of a journal that this version reads: it %s",
          file,
          number,
          event.isEmpty()
              ? "does not name its event"
              : "names '" + Words.cut(event) + "', which is unknown"));
    }
    return EventReading.event(line);
  }

  /** Hears each line with its number, whether it is the last one, and its place. */
  private interface LineHearer {
    void hear(byte[] line, int number, boolean last, long place) throws IOException;
  }
}
