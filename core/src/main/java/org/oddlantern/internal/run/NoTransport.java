package org.oddlantern.internal.run;

import org.oddlantern.http.WireRequest;
import org.oddlantern.http.internal.Terms;
import org.oddlantern.http.internal.Transport;
import org.oddlantern.http.internal.WireReply;

/** Where nothing may be sent: whoever gets here was not told an answer, which is a fault of ours. */
final class NoTransport implements Transport {

  @Override
  public WireReply send(WireRequest request, Terms terms) {
    throw new IllegalStateException(
        request.line() + " would have been sent by a case that is done again");
  }

  @Override
  public void close() {
    // there is nothing to close
  }
}
