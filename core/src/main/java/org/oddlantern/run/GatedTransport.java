package org.oddlantern.run;

import org.jspecify.annotations.Nullable;
import org.oddlantern.http.NotSent;
import org.oddlantern.http.WireReply;
import org.oddlantern.http.WireRequest;
import org.oddlantern.http.internal.Terms;
import org.oddlantern.http.internal.Transport;
import org.oddlantern.http.internal.TransportFault;

/** The transport of one case, which can be shut for the thread of a case that was ended. */
final class GatedTransport implements Transport {

  private final Transport transport;
  private volatile @Nullable Thread shut;

  GatedTransport(Transport transport) {
    this.transport = transport;
  }

  void shutFor(Thread thread) {
    shut = thread;
  }

  @Override
  public WireReply send(WireRequest request, Terms terms) throws TransportFault {
    if (Thread.currentThread().equals(shut)) {
      throw new NotSent(request.line()
          + " was not sent: the case was ended by its time limit before it came to this call");
    }
    return transport.send(request, terms);
  }

  /** The run closes the transport, no case does. */
  @Override
  public void close() {}
}
