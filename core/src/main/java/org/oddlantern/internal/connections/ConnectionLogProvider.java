package org.oddlantern.internal.connections;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.oddlantern.shaded.org.slf4j.ILoggerFactory;
import org.oddlantern.shaded.org.slf4j.IMarkerFactory;
import org.oddlantern.shaded.org.slf4j.Logger;
import org.oddlantern.shaded.org.slf4j.helpers.BasicMarkerFactory;
import org.oddlantern.shaded.org.slf4j.helpers.NOPMDCAdapter;
import org.oddlantern.shaded.org.slf4j.spi.MDCAdapter;
import org.oddlantern.shaded.org.slf4j.spi.SLF4JServiceProvider;

/** Gives the libraries inside their loggers. They find it by its service file. */
public final class ConnectionLogProvider implements SLF4JServiceProvider {

  private final Map<String, Logger> loggers = new ConcurrentHashMap<>();
  private final IMarkerFactory markers = new BasicMarkerFactory();
  private final MDCAdapter context = new NOPMDCAdapter();

  /** Made by the service loader. */
  public ConnectionLogProvider() {}

  @Override
  public ILoggerFactory getLoggerFactory() {
    return name -> loggers.computeIfAbsent(name, ConnectionLogger::new);
  }

  @Override
  public IMarkerFactory getMarkerFactory() {
    return markers;
  }

  @Override
  public MDCAdapter getMDCAdapter() {
    return context;
  }

  @Override
  public String getRequestedApiVersion() {
    return "2.0.99";
  }

  @Override
  public void initialize() {
    // nothing waits to be made
  }
}
