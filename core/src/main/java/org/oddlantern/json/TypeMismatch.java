package org.oddlantern.json;

/** A value that is there but cannot be read as the type asked for; the message says both. */
public final class TypeMismatch extends RuntimeException {

  private static final long serialVersionUID = 1L;

  TypeMismatch(String message) {
    super(message);
  }
}
