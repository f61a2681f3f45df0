package org.oddlantern.internal.connections;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.shaded.org.slf4j.Marker;
import org.oddlantern.shaded.org.slf4j.event.Level;
import org.oddlantern.shaded.org.slf4j.helpers.LegacyAbstractLogger;
import org.oddlantern.shaded.org.slf4j.helpers.MessageFormatter;

/**
 * Says to the log of the run at work what a class of the library says, and nothing where no log is wanted.
 * What goes over the wire is left out: the journal has it, and secrets come in pieces there.
 */
final class ConnectionLogger extends LegacyAbstractLogger {

  private static final long serialVersionUID = 1L;

  private final String brief;

  /** Loggers of what goes over the wire are not named after a class. */
  private final boolean wire;

  ConnectionLogger(String name) {
    this.name = name;
    this.brief = name.substring(name.lastIndexOf('.') + 1);
    this.wire = !Character.isUpperCase(brief.charAt(0));
  }

  @Override
  public boolean isTraceEnabled() {
    return false;
  }

  @Override
  public boolean isDebugEnabled() {
    return log().isPresent();
  }

  @Override
  public boolean isInfoEnabled() {
    return log().isPresent();
  }

  @Override
  public boolean isWarnEnabled() {
    return log().isPresent();
  }

  @Override
  public boolean isErrorEnabled() {
    return log().isPresent();
  }

  @Override
  protected @Nullable String getFullyQualifiedCallerName() {
    return null;
  }

  @Override
  protected void handleNormalizedLoggingCall(
      Level level,
      @Nullable Marker marker,
      String pattern,
      Object @Nullable [] arguments,
      @Nullable Throwable thrown) {
    log()
        .ifPresent(
            one -> one.add(brief, MessageFormatter.basicArrayFormat(pattern, arguments), thrown));
  }

  private Optional<ConnectionLog> log() {
    return wire ? Optional.empty() : CurrentCase.part(ConnectionLog.class);
  }
}
