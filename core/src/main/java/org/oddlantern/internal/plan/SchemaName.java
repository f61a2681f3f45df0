package org.oddlantern.internal.plan;

/**
 * A schema that the code of a suite names by a constant.
 *
 * @param name the name
 * @param place class, method and line
 */
record SchemaName(String name, String place) {}
