package org.oddlantern.http.internal;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Reads the events of a stream as it comes: server-sent events (HTML Living Standard, section 9.2.6) by
 * their type {@code text/event-stream}, one for each line of anything else, as in JSON lines or JSON text
 * sequences (RFC 7464). Of one thread.
 */
public final class EventReading {

  private static final char SEPARATOR = '\u001e';

  private final boolean serverSent;
  private final List<Event> events = new ArrayList<>();
  private final ByteArrayOutputStream line = new ByteArrayOutputStream();
  private boolean afterReturn;
  private boolean first = true;
  private String type = "";
  private @Nullable String id;
  private @Nullable StringBuilder data;

  /**
   * Of a stream from its beginning.
   *
   * @param contentType its type; may be empty
   */
  public EventReading(String contentType) {
    this.serverSent = contentType.toLowerCase(Locale.ROOT).strip().startsWith("text/event-stream");
  }

  /** Whether they are server-sent events, with types and ids. */
  public boolean isServerSent() {
    return serverSent;
  }

  /**
   * Reads on until enough events are complete.
   *
   * @param bytes what has come
   * @param length how much of it
   * @param most how many events are enough
   * @return how many of the bytes were read; fewer than there are only if there are enough events
   */
  public int read(byte[] bytes, int length, int most) {
    for (int i = 0; i < length; i++) {
      boolean feed = bytes[i] == '\n';
      if (feed && afterReturn) {
        afterReturn = false;
        continue;
      }
      afterReturn = bytes[i] == '\r';
      if (feed || afterReturn) {
        lineEnded();
        if (events.size() >= most) {
          return i + 1;
        }
      } else {
        line.write(bytes[i]);
      }
    }
    return length;
  }

  /**
   * The stream has ended. A line without an end is one all the same; a server-sent event without one is not.
   *
   * @return all events that are complete
   */
  public List<Event> ended() {
    if (!serverSent && line.size() > 0) {
      lineEnded();
    }
    return List.copyOf(events);
  }

  /** How many events are complete. */
  public int count() {
    return events.size();
  }

  private void lineEnded() {
    String text = line.toString(StandardCharsets.UTF_8);
    line.reset();
    if (first && text.startsWith("\ufeff")) {
      text = text.substring(1);
    }
    first = false;
    if (serverSent) {
      field(text);
    } else {
      String document = text.startsWith(String.valueOf(SEPARATOR)) ? text.substring(1) : text;
      if (!document.isBlank()) {
        events.add(new Event("", null, document));
      }
    }
  }

  private void field(String text) {
    if (text.isEmpty()) {
      dispatch();
      return;
    }
    int colon = text.indexOf(':');
    String name = colon < 0 ? text : text.substring(0, colon);
    String value = colon < 0 ? "" : text.substring(colon + 1);
    value = value.startsWith(" ") ? value.substring(1) : value;
    switch (name) {
      case "event" -> type = value;
      case "id" -> id = value.indexOf('\0') < 0 ? value : id;
      case "data" -> {
        StringBuilder all = data == null ? new StringBuilder() : data.append('\n');
        data = all.append(value);
      }
      default -> {
        // a comment, how long to wait before connecting again, or nothing that is known
      }
    }
  }

  /** Without data there is no event. */
  private void dispatch() {
    if (data != null) {
      events.add(new Event(type.isEmpty() ? "message" : type, id, data.toString()));
    }
    type = "";
    id = null;
    data = null;
  }

  /**
   * One event.
   *
   * @param type its type; empty if such events have none
   * @param id the id that came with it; null if none did
   * @param data what it carries, as text
   */
  public record Event(String type, @Nullable String id, String data) {}
}
