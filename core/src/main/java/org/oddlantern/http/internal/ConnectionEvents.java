package org.oddlantern.http.internal;

import org.oddlantern.shaded.org.apache.hc.core5.reactor.IOSession;
import org.oddlantern.shaded.org.apache.hc.core5.reactor.IOSessionListener;
import org.oddlantern.shaded.org.slf4j.Logger;
import org.oddlantern.shaded.org.slf4j.LoggerFactory;

/** Logs the life of connections of the client's core, which does not do so itself. */
final class ConnectionEvents implements IOSessionListener {

  private static final Logger LOG = LoggerFactory.getLogger(ConnectionEvents.class);

  @Override
  public void connected(IOSession session) {
    LOG.debug(
        "{} connected {}->{}",
        session.getId(),
        session.getLocalAddress(),
        session.getRemoteAddress());
  }

  @Override
  public void startTls(IOSession session) {
    LOG.debug("{} TLS begins", session.getId());
  }

  @Override
  public void exception(IOSession session, Exception met) {
    LOG.debug("{} failed", session.getId(), met);
  }

  @Override
  public void timeout(IOSession session) {
    LOG.debug("{} timeout", session.getId());
  }

  @Override
  public void disconnected(IOSession session) {
    LOG.debug("{} disconnected", session.getId());
  }

  @Override
  public void inputReady(IOSession session) {
    // bytes are no event of a connection's life
  }

  @Override
  public void outputReady(IOSession session) {
    // likewise
  }
}
