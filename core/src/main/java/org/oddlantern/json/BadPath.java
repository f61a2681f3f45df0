package org.oddlantern.json;

/** A JSONPath that cannot be read; the message shows it with a caret where reading stopped. */
public final class BadPath extends IllegalArgumentException {

  private static final long serialVersionUID = 1L;

  BadPath(String path, int at, String wanted) {
    super("the path cannot be read: wanted %s at character %d%n  %s%n  %s^"
        .formatted(wanted, at + 1, path, " ".repeat(at)));
  }
}
