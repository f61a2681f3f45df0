package org.oddlantern.http.internal;

import java.time.Duration;
import org.oddlantern.http.WireReply;
import org.oddlantern.http.WireRequest;

/** Brings one request to a service and its whole reply back. Safe to use from several threads. */
public interface Transport extends AutoCloseable {

  /**
   * Sends and waits for the whole reply.
   *
   * @param request what to send
   * @param deadline from now until the last byte
   * @return the reply
   * @throws TransportFault if no whole reply came in time
   */
  WireReply send(WireRequest request, Duration deadline) throws TransportFault;

  @Override
  void close();
}
