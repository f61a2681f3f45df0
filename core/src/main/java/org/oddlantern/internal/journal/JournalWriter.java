package org.oddlantern.internal.journal;

import java.io.BufferedOutputStream;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.ObjLongConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.internal.connections.ConnectionLog;
import org.oddlantern.internal.record.AgreedRecord;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.DescribedRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.KeptRecord;
import org.oddlantern.internal.record.Octets;
import org.oddlantern.internal.record.Picture;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.internal.record.SentFile;
import org.oddlantern.internal.record.TimeText;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;
import org.oddlantern.shaded.tools.jackson.core.exc.JacksonIOException;

/**
 * Writes the journal: a line of JSON for each event, at once. A body longer than 16,384 characters, or
 * than what is asked for, goes into a file of its own in the folder {@code bodies} beside the journal.
 */
public final class JournalWriter implements RunListener, AutoCloseable {

  /** How many characters of a body stand in the journal itself, unless something else is said. */
  public static final int LONGEST_BODY = 16_384;

  private static final long LOOK_NANOS = 100_000_000;

  /** The files that journals have beside them: numbered, or named after their bytes. */
  private static final Pattern OWN = Pattern.compile("(?:\\d{6}|[0-9a-f]{12})\\.\\w+");

  private static final Pattern ENDING =
      Pattern.compile("\\.(?:txt|csv|json|xml|pdf|zip|log|yaml|har)$", Pattern.CASE_INSENSITIVE);

  private final Path file;
  private final int longest;
  private final ObjLongConsumer<RunEvent> written;
  private final Counted stream;
  private final TimeText times = new TimeText();
  private long lookedAt;
  private int bodies;

  /**
   * Begins a new journal; an older one of that name is replaced.
   *
   * @param file the file to write
   * @throws IOException if it cannot be written
   */
  public JournalWriter(Path file) throws IOException {
    this(file, LONGEST_BODY, (written, octets) -> {});
  }

  /**
   * Begins a new journal; an older one of that name is replaced.
   *
   * @param file the file to write
   * @param longest the characters of the longest body that is not to lie in a file of its own
   * @param written hears each event as the journal tells it, when it is written, and how many octets that took
   * @throws IOException if it cannot be written
   */
  public JournalWriter(Path file, int longest, ObjLongConsumer<RunEvent> written)
      throws IOException {
    this.file = file;
    this.longest = longest;
    this.written = written;
    Files.createDirectories(folder(file));
    for (String beside : List.of("bodies", "kept", "agreed", "described")) {
      remove(folder(file).resolve(beside));
    }
    Files.deleteIfExists(folder(file).resolve(ConnectionLog.FILE));
    // no channel: one is closed for ever when the thread that writes is interrupted, and cases are
    this.stream = new Counted(new FileOutputStream(file.toFile()));
  }

  @Override
  public void hear(RunEvent event) throws IOException {
    refuseIfGone();
    RunEvent told = withShortBodies(event);
    long before = stream.written;
    try {
      try (JsonGenerator generator = JsonMapping.standard().generator(stream)) {
        new EventLine(generator, times).write(told);
      }
    } catch (JacksonIOException e) {
      throw e.getCause();
    }
    stream.write('\n');
    stream.flush();
    written.accept(told, stream.written - before);
  }

  @Override
  public boolean hearsBeginnings() {
    return true; // of a run that was killed it says what was under way
  }

  /**
   * The file that it writes.
   *
   * @return the file
   */
  public Path file() {
    return file;
  }

  @Override
  public void close() throws IOException {
    stream.close();
    lookedAt = 0;
    refuseIfGone();
  }

  /** A file that is removed can be written on and on, and nobody will ever read it. */
  private void refuseIfGone() throws IOException {
    long now = System.nanoTime();
    if (lookedAt != 0 && now - lookedAt < LOOK_NANOS) {
      return;
    }
    lookedAt = now;
    if (Files.notExists(file)) {
      throw new IOException("the file is gone; something has removed it during the run");
    }
  }

  @Override
  public String toString() {
    return "the journal " + file;
  }

  /** Writes in large pieces, and counts. */
  private static final class Counted extends BufferedOutputStream {
    private long written;

    private Counted(OutputStream out) {
      super(out, 1 << 16);
    }

    @Override
    public synchronized void write(int octet) throws IOException {
      super.write(octet);
      written++;
    }

    @Override
    public synchronized void write(byte[] octets, int begin, int length) throws IOException {
      super.write(octets, begin, length);
      written += length;
    }
  }

  private RunEvent withShortBodies(RunEvent event) throws IOException {
    if (event instanceof RunEvent.PutBack putBack && hasLongBody(putBack.exchanges())) {
      return new RunEvent.PutBack(
          putBack.id(), putBack.deed(), putBack.problem(), stored(putBack.exchanges()));
    }
    if (event instanceof RunEvent.Described described) {
      return new RunEvent.Described(
          described.record().with(storedCopies(described.record().documents())));
    }
    if (!(event instanceof RunEvent.CaseFinished finished)) {
      return event;
    }
    CaseRecord one = finished.record();
    boolean files = !one.kept().isEmpty() || !one.agreed().isEmpty();
    if (files) {
      one = one.withFiles(storedKept(one.kept()), storedAgreed(one.agreed()));
    }
    boolean before = one.earlier().stream().anyMatch(each -> hasLongBody(each.exchanges()));
    if (!before && !hasLongBody(one.exchanges())) {
      return files ? new RunEvent.CaseFinished(one) : event;
    }
    List<AttemptRecord> earlier = new ArrayList<>();
    for (AttemptRecord each : one.earlier()) {
      earlier.add(each.withExchanges(stored(each.exchanges())));
    }
    return new RunEvent.CaseFinished(one.withExchanges(stored(one.exchanges()), earlier));
  }

  private List<ExchangeRecord> stored(List<ExchangeRecord> exchanges) throws IOException {
    List<ExchangeRecord> stored = new ArrayList<>();
    for (ExchangeRecord exchange : exchanges) {
      ExchangeRecord brief =
          exchange.withBodies(stored(exchange.requestBody()), stored(exchange.replyBody()));
      SentFile sent = exchange.sentFile();
      if (sent != null && sent.octets() != null) {
        write(sent.name(), sent.octets().bytes());
        brief = brief.withSentFile(new SentFile(sent.name(), null));
      }
      stored.add(brief);
    }
    return stored;
  }

  private boolean hasLongBody(List<ExchangeRecord> exchanges) {
    for (ExchangeRecord exchange : exchanges) {
      if (exchange.sentFile() != null
          || isLong(exchange.requestBody())
          || isLong(exchange.replyBody())) {
        return true;
      }
    }
    return false;
  }

  private boolean isLong(BodyRecord body) {
    return body.picture() != null || body.text() != null && body.text().length() > longest;
  }

  private BodyRecord stored(BodyRecord body) throws IOException {
    if (body.picture() != null) {
      byte[] picture = body.picture().bytes();
      return new BodyRecord(
          body.bytes(),
          null,
          stored("bodies", Picture.ending(picture, ".bin"), picture),
          List.of());
    }
    String text = body.text();
    if (text == null || text.length() <= longest) {
      return body;
    }
    String name = stored("bodies", ".txt", text.getBytes(StandardCharsets.UTF_8));
    return new BodyRecord(body.bytes(), null, name, List.of());
  }

  private List<KeptRecord> storedKept(List<KeptRecord> all) throws IOException {
    List<KeptRecord> stored = new ArrayList<>();
    for (KeptRecord one : all) {
      Octets octets = one.octets();
      stored.add(
          octets == null
              ? one
              : new KeptRecord(
                  one.name(),
                  one.contentType(),
                  one.bytes(),
                  stored("kept", ending(one.name(), octets.bytes()), octets.bytes()),
                  null));
    }
    return stored;
  }

  private List<AgreedRecord> storedAgreed(List<AgreedRecord> all) throws IOException {
    List<AgreedRecord> stored = new ArrayList<>();
    for (AgreedRecord one : all) {
      Octets octets = one.octets();
      stored.add(octets == null ? one : one.writtenTo(stored("agreed", ".txt", octets.bytes())));
    }
    return stored;
  }

  private List<DescribedRecord.Copy> storedCopies(List<DescribedRecord.Copy> all)
      throws IOException {
    List<DescribedRecord.Copy> stored = new ArrayList<>();
    for (DescribedRecord.Copy one : all) {
      String text = one.text();
      stored.add(
          text == null
              ? one
              : new DescribedRecord.Copy(
                  one.name(),
                  one.uri(),
                  null,
                  stored(
                      "described",
                      text.stripLeading().startsWith("{") ? ".json" : ".yaml",
                      text.getBytes(StandardCharsets.UTF_8))));
    }
    return stored;
  }

  /** Nothing that a browser would run: pages and scripts are kept as text. */
  private static String ending(String name, byte[] bytes) {
    Matcher own = ENDING.matcher(name);
    return Picture.ending(bytes, own.find() ? own.group() : ".txt");
  }

  private String stored(String where, String ending, byte[] bytes) throws IOException {
    String name = where + "/" + String.format(Locale.ROOT, "%06d", ++bodies) + ending;
    write(name, bytes);
    return name;
  }

  private void write(String name, byte[] bytes) throws IOException {
    Path target = folder(file).resolve(name);
    Files.createDirectories(folder(target));
    Files.write(target, bytes);
  }

  /** What an earlier journal of that name had beside it. */
  private static void remove(Path folder) throws IOException {
    if (Files.isDirectory(folder)) {
      try (DirectoryStream<Path> files = Files.newDirectoryStream(
          folder, one -> OWN.matcher(one.getFileName() + "").matches())) {
        for (Path one : files) {
          Files.delete(one);
        }
      }
    }
  }

  private static Path folder(Path file) throws IOException {
    Path folder = file.toAbsolutePath().getParent();
    if (folder == null) {
      throw new IOException(file + " lies in no folder");
    }
    return folder;
  }
}
