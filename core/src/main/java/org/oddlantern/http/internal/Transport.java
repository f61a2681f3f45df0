package org.oddlantern.http.internal;

import org.oddlantern.http.WireRequest;

/** Brings one request to a service and its whole reply back. Safe to use from several threads. */
public interface Transport extends AutoCloseable {

  /**
   * Sends and waits for the whole reply. Nothing is sent twice.
   *
   * @param request what to send
   * @param terms limits, security, way
   * @return the reply
   * @throws TransportFault if no whole reply came in time
   */
  WireReply send(WireRequest request, Terms terms) throws TransportFault;

  @Override
  void close();
}
