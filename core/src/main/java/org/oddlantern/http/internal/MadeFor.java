package org.oddlantern.http.internal;

/**
 * Bound while services and databases are made for a case, so that they remember it.
 *
 * @param surroundings where the case works
 */
public record MadeFor(Surroundings surroundings) {}
