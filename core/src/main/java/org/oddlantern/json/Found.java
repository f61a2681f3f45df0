package org.oddlantern.json;

/**
 * A value that a path leads to, and its place.
 *
 * @param where the place
 * @param value the value
 */
public record Found(Location where, Json value) {}
