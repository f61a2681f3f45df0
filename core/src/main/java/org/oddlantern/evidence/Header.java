package org.oddlantern.evidence;

/**
 * One header field.
 *
 * @param name its name, as it was written or received
 * @param value its value, as it was written or received
 */
public record Header(String name, String value) {}
