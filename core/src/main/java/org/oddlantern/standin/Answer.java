package org.oddlantern.standin;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.internal.HeaderRules;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.internal.JsonMapping;

/**
 * What a stand-in answers, or how it fails to: late, in pieces, cut off, not at all. Immutable and
 * thread-safe; what says more of it gives a changed copy.
 *
 * <pre>{@code
 * Answer.of(200).json(Map.of("rain", false)).after(Duration.ofMillis(300))
 * }</pre>
 */
public final class Answer {

  /** What the stand-in writes itself (RFC 9112, sections 6 and 9.6). */
  private static final Set<String> OWN =
      Set.of("content-length", "transfer-encoding", "connection", "keep-alive", "upgrade");

  private static final Answer SILENT = ending(Ending.SILENT);
  private static final Answer RESET = ending(Ending.RESET);
  private static final Answer MALFORMED = ending(Ending.MALFORMED);

  private final int status;
  private final List<Header> headers;
  private final byte[] body;
  private final Pace pace;
  private final Ending ending;
  private final List<Answer> turns;

  private Answer(
      int status, List<Header> headers, byte[] body, Pace pace, Ending ending, List<Answer> turns) {
    this.status = status;
    this.headers = List.copyOf(headers);
    this.body = body;
    this.pace = pace;
    this.ending = ending;
    this.turns = List.copyOf(turns);
  }

  private static Answer ending(Ending ending) {
    return new Answer(0, List.of(), new byte[0], Pace.AT_ONCE, ending, List.of());
  }

  /**
   * An answer without a body.
   *
   * @param status a final status code, 200 to 599 (RFC 9110, section 15)
   * @throws IllegalArgumentException if it is no such code
   */
  public static Answer of(int status) {
    if (status < 200 || status > 599) {
      throw new IllegalArgumentException("an answer has a final status, 200 to 599, not " + status);
    }
    return new Answer(status, List.of(), new byte[0], Pace.AT_ONCE, Ending.WHOLE, List.of());
  }

  /** No answer: the connection stays open and nothing comes, until the other side gives up. */
  public static Answer silent() {
    return SILENT;
  }

  /** No answer: the connection is reset (TCP RST). */
  public static Answer reset() {
    return RESET;
  }

  /** Something that is not HTTP, and the end of the connection. */
  public static Answer malformed() {
    return MALFORMED;
  }

  /**
   * One answer after the other, counted for each case by itself; the last one stays.
   *
   * @param first the first answer
   * @param more those after it
   */
  public static Answer inTurn(Answer first, Answer... more) {
    Needed.of(first, "inTurn(first, more): first");
    List<Answer> turns = new ArrayList<>(List.of(first));
    turns.addAll(List.of(more));
    return new Answer(0, List.of(), new byte[0], Pace.AT_ONCE, Ending.WHOLE, turns);
  }

  /**
   * This answer with a header more.
   *
   * @param name the name
   * @param value the value, by its {@code toString}
   * @throws IllegalArgumentException if it cannot be in a header, or is one that the stand-in writes
   */
  public Answer header(String name, Object value) {
    Header header = HeaderRules.toSend(name, String.valueOf(value));
    if (OWN.contains(name.toLowerCase(Locale.ROOT))) {
      throw new IllegalArgumentException(name
          + " is written by the stand-in itself; an answer that ends too early is cutOff(...)");
    }
    List<Header> all = new ArrayList<>(headers);
    all.add(header);
    return new Answer(sized("header(name, value)"), all, body, pace, ending, turns);
  }

  /**
   * This answer with a JSON body.
   *
   * @param value records, maps, lists and simple values as in a payload; may be null, which is JSON's null
   * @throws IllegalArgumentException if it cannot be written as JSON
   */
  public Answer json(@Nullable Object value) {
    return typed("application/json", JsonMapping.standard().writeBytes(value));
  }

  /**
   * This answer with an XML body in UTF-8.
   *
   * @param text the document as it is sent, well-formed or not
   */
  public Answer xml(String text) {
    return typed("application/xml", octets(text, "xml(text): text"));
  }

  /**
   * This answer with a text in UTF-8.
   *
   * @param text the text
   */
  public Answer text(String text) {
    return typed("text/plain; charset=utf-8", octets(text, "text(text): text"));
  }

  /**
   * This answer with these bytes, of no type unless a header said one before.
   *
   * @param bytes the bytes
   */
  public Answer bytes(byte[] bytes) {
    Needed.of(bytes, "bytes(bytes): bytes");
    return typed("application/octet-stream", bytes.clone());
  }

  /**
   * This answer with a file on the class path of the suites or in the folder of the settings file. Its type
   * is JSON, XML or text by the ending of its name, else that of any bytes, unless a header said another before.
   *
   * @param name the file
   * @throws IllegalArgumentException if there is no such file
   */
  public Answer file(String name) {
    Needed.of(name, "file(name): name");
    byte[] read = Resources.current().bytes(name);
    String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    return typed(
        switch (ending) {
          case "json" -> "application/json";
          case "xml" -> "application/xml";
          case "txt", "csv" -> "text/plain; charset=utf-8";
          default -> "application/octet-stream";
        },
        read);
  }

  /**
   * This answer, sent only when so much time has passed.
   *
   * @param wait more than zero
   */
  public Answer after(Duration wait) {
    return with(new Pace(positive(wait, "after"), pace.pieces, pace.every));
  }

  /**
   * This answer with its body in pieces, each sent by itself.
   *
   * @param bytes the size of a piece, 1 or more
   * @param every the pause between two pieces, more than zero
   */
  public Answer inPieces(int bytes, Duration every) {
    if (bytes < 1) {
      throw new IllegalArgumentException("a piece of an answer has 1 byte or more, not " + bytes);
    }
    sized("inPieces(bytes, every)");
    return with(new Pace(pace.after, bytes, positive(every, "inPieces")));
  }

  /**
   * This answer with the connection closed after so many bytes of the body, which is announced in full.
   *
   * @param bytes fewer than the body has; 0 or more
   * @throws IllegalArgumentException if the body does not have more
   */
  public Answer cutOff(int bytes) {
    sized("cutOff(bytes)");
    if (bytes < 0 || bytes >= body.length) {
      throw new IllegalArgumentException(
          "an answer of " + body.length + " bytes cannot be cut off after " + bytes
              + "; say what is in it first, and fewer bytes than it has");
    }
    return new Answer(status, headers, body, pace, Ending.cutAfter(bytes), turns);
  }

  int status() {
    return status;
  }

  List<Header> headers() {
    return headers;
  }

  byte[] body() {
    return body;
  }

  /** So much of the body as is sent. */
  byte[] sent() {
    return ending.bytes < 0 ? body : Arrays.copyOf(body, ending.bytes);
  }

  Pace pace() {
    return pace;
  }

  Ending ending() {
    return ending;
  }

  /** The answer for the so many-th request, counted from 0. */
  Answer turn(int number) {
    return turns.isEmpty()
        ? this
        : turns
            .get(Math.min(number, turns.size() - 1))
            .turn(Math.max(0, number - turns.size() + 1));
  }

  private Answer with(Pace other) {
    return new Answer(status, headers, body, other, ending, turns);
  }

  /** A type that a header said before stays. */
  private Answer typed(String type, byte[] bytes) {
    sized("a body");
    if (status == 204 || status == 304) {
      throw new IllegalArgumentException(
          "an answer with status " + status + " has no body (RFC 9110, section 6.4.1)");
    }
    List<Header> all = new ArrayList<>(headers);
    boolean said = all.stream().anyMatch(header -> header.name().equalsIgnoreCase("Content-Type"));
    if (!said) {
      all.add(new Header("Content-Type", type));
    }
    return new Answer(status, all, bytes, pace, Ending.WHOLE, turns);
  }

  private int sized(String what) {
    if (status == 0) {
      throw new IllegalArgumentException(
          turns.isEmpty()
              ? what + " says nothing of an answer that does not come"
              : what + " belongs to one of the answers in turn, not to all of them");
    }
    return status;
  }

  private static byte[] octets(String text, String what) {
    Needed.of(text, what);
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private static Duration positive(Duration time, String what) {
    Needed.of(time, what + ": the time");
    if (time.isNegative() || time.isZero()) {
      throw new IllegalArgumentException(what + " takes a time of more than zero, not " + time);
    }
    return time;
  }

  /** As a report shows it: what is out of the ordinary. */
  String words() {
    List<String> words = new ArrayList<>();
    if (!pace.after.isZero()) {
      words.add("after " + pace.after.toMillis() + " ms");
    }
    if (pace.pieces > 0) {
      words.add(
          "in pieces of " + pace.pieces + " bytes, one every " + pace.every.toMillis() + " ms");
    }
    if (!ending.words().isEmpty()) {
      words.add(ending.words());
    }
    return String.join(", ", words);
  }

  /**
   * When it is sent.
   *
   * @param after how long nothing happens
   * @param pieces the size of a piece; 0 for all at once
   * @param every the pause between two pieces
   */
  record Pace(Duration after, int pieces, Duration every) {
    static final Pace AT_ONCE = new Pace(Duration.ZERO, 0, Duration.ZERO);
  }

  /**
   * How it ends.
   *
   * @param words what a report says of it; empty for a whole answer
   * @param bytes after how many bytes of the body; less than 0 for all of them
   */
  record Ending(String words, int bytes) {
    static final Ending WHOLE = new Ending("", -1);
    static final Ending SILENT = new Ending("with silence, as instructed", -1);
    static final Ending RESET = new Ending("with a reset, as instructed", -1);
    static final Ending MALFORMED = new Ending("with what is not HTTP, as instructed", -1);

    static Ending cutAfter(int bytes) {
      return new Ending("cut off after " + bytes + (bytes == 1 ? " byte" : " bytes"), bytes);
    }
  }
}
