package org.oddlantern.xml;

/** An XPath expression that cannot be read or evaluated; the message shows it and says why. */
public final class BadXPath extends IllegalArgumentException {

  private static final long serialVersionUID = 1L;

  BadXPath(String message) {
    super(message);
  }
}
