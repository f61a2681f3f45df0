package org.oddlantern.http;

import java.time.Duration;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.Undo;
import org.oddlantern.http.internal.WireReply;

/** An undoing call, ready to be sent. What is gone already counts as put back. */
record PlannedUndo(Sender sender, Call call, String line) implements Undo {

  @Override
  public Taken putBack(Duration limit) {
    try {
      Exchange exchange = sender.putBack(call, limit);
      WireReply reply = Sender.replyOf(exchange);
      boolean gone = reply.status() == 404 || reply.status() == 410;
      return new Taken(
          exchange, gone || reply.status() < 400 ? "" : "it was answered " + reply.statusLine());
    } catch (RuntimeException e) {
      return new Taken(null, String.valueOf(e.getMessage()));
    }
  }
}
