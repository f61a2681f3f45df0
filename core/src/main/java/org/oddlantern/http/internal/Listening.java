package org.oddlantern.http.internal;

import java.time.Duration;

/**
 * How far a reply without an end is read.
 *
 * @param events how many events are enough
 * @param limit for how long; what has come by then is the reply
 */
public record Listening(int events, Duration limit) {}
