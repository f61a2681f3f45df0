package org.oddlantern.run;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.oddlantern.json.JsonMapping;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.exc.JacksonIOException;

/**
 * Writes the journal: a line of JSON for each event, at once. A body longer than 16,384 characters
 * goes into a file of its own in the folder {@code bodies} beside the journal.
 */
public final class JournalWriter implements RunListener, AutoCloseable {

  static final int LONGEST_BODY = 16_384;

  private final Path file;
  private final OutputStream stream;
  private int bodies;

  /**
   * Begins a new journal; an older one of that name is replaced.
   *
   * @param file the file to write
   * @throws IOException if it cannot be written
   */
  public JournalWriter(Path file) throws IOException {
    this.file = file;
    Files.createDirectories(folder(file));
    this.stream = new BufferedOutputStream(Files.newOutputStream(file), 1 << 16);
  }

  @Override
  public void hear(RunEvent event) throws IOException {
    try {
      try (JsonGenerator generator = JsonMapping.standard().generator(stream)) {
        new EventLine(generator).write(withShortBodies(event));
      }
    } catch (JacksonIOException e) {
      throw e.getCause();
    }
    stream.write('\n');
    stream.flush();
  }

  @Override
  public void close() throws IOException {
    stream.close();
  }

  @Override
  public String toString() {
    return "the journal " + file;
  }

  private RunEvent withShortBodies(RunEvent event) throws IOException {
    if (!(event instanceof RunEvent.CaseFinished finished)) {
      return event;
    }
    CaseRecord one = finished.record();
    if (!hasLongBody(one)) {
      return event;
    }
    List<ExchangeRecord> exchanges = new ArrayList<>();
    for (ExchangeRecord exchange : one.exchanges()) {
      exchanges.add(
          exchange.withBodies(stored(exchange.requestBody()), stored(exchange.replyBody())));
    }
    return new RunEvent.CaseFinished(one.withExchanges(exchanges));
  }

  private static boolean hasLongBody(CaseRecord one) {
    for (ExchangeRecord exchange : one.exchanges()) {
      if (isLong(exchange.requestBody()) || isLong(exchange.replyBody())) {
        return true;
      }
    }
    return false;
  }

  private static boolean isLong(BodyRecord body) {
    return body.text() != null && body.text().length() > LONGEST_BODY;
  }

  private BodyRecord stored(BodyRecord body) throws IOException {
    String text = body.text();
    if (text == null || text.length() <= LONGEST_BODY) {
      return body;
    }
    String name = "bodies/" + String.format("%06d", ++bodies) + ".txt";
    Path target = folder(file).resolve(name);
    Files.createDirectories(folder(target));
    Files.writeString(target, text);
    return new BodyRecord(body.bytes(), null, name, List.of());
  }

  private static Path folder(Path file) throws IOException {
    Path folder = file.toAbsolutePath().getParent();
    if (folder == null) {
      throw new IOException(file + " lies in no folder");
    }
    return folder;
  }
}
