package org.oddlantern.json.internal.path;

/**
 * Where a path stopped that finds nothing.
 *
 * @param stopped how far it leads and what stands there
 * @param hint the nearest thing that would have matched; may be empty
 */
public record DeadEnd(String stopped, String hint) {}
