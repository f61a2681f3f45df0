package org.oddlantern.schema.internal.text;

/** A text that is no regular expression of ECMA-262; the message tells where and why. */
public final class BadPattern extends Exception {

  private static final long serialVersionUID = 1L;

  BadPattern(String source, int at, String reason) {
    super(reason + " in the pattern, at character " + (at + 1) + ":\n  " + source + "\n  "
        + " ".repeat(Math.max(0, at)) + "^");
  }
}
