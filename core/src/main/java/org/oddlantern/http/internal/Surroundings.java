package org.oddlantern.http.internal;

/**
 * Where a service works: by which transport, and who hears of it.
 *
 * @param transport brings requests and replies
 * @param recorder hears of them
 */
public record Surroundings(Transport transport, CaseRecorder recorder) {}
