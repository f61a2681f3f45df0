package org.oddlantern.http;

import java.time.Duration;
import java.time.Instant;
import org.oddlantern.http.internal.Transport;
import org.oddlantern.http.internal.TransportFault;
import org.oddlantern.http.internal.Undo;

/** An undoing call, ready to be sent. What is gone already counts as taken back. */
record PlannedUndo(WireRequest request, Transport transport) implements Undo {

  @Override
  public String line() {
    return request.method() + " " + request.uri();
  }

  @Override
  public Taken takeBack(Duration limit) {
    Instant sentAt = Instant.now();
    long start = System.nanoTime();
    try {
      WireReply reply = transport.send(request, limit);
      Exchange exchange = new Exchange("", request, reply, sentAt, since(start), null);
      boolean gone = reply.status() == 404 || reply.status() == 410;
      return new Taken(
          exchange, gone || reply.status() < 400 ? "" : "it was answered " + reply.statusLine());
    } catch (TransportFault e) {
      String sentence = String.valueOf(e.getMessage());
      return new Taken(new Exchange("", request, null, sentAt, since(start), sentence), sentence);
    }
  }

  private static Duration since(long start) {
    return Duration.ofNanos(System.nanoTime() - start);
  }
}
