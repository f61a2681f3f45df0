package org.oddlantern.internal.record;

import java.time.Instant;

/**
 * A part of a case, in words.
 *
 * @param words what it is about
 * @param after how many calls and queries of the case came before it
 * @param startedAt when it began
 */
public record StepRecord(String words, int after, Instant startedAt) {}
