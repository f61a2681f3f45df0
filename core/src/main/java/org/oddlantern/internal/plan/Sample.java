package org.oddlantern.internal.plan;

/**
 * One of the data a case runs over.
 *
 * @param key what it is known by among the others
 * @param number its place among them, from 1
 * @param value the sample itself
 */
public record Sample(String key, int number, Object value) {}
