package org.oddlantern.evidence.internal;

/** Bound while a piece of a case is tried that may be tried again, so that what fails in it is no end. */
public interface Trying {}
