package org.oddlantern.xml;

/** A text that was to be XML and is not, or is not read for safety; the message says which and where. */
public final class NotXml extends RuntimeException {

  private static final long serialVersionUID = 1L;

  NotXml(String message) {
    super(message);
  }
}
