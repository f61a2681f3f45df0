package org.oddlantern.dist.reference;

/**
 * An example of a check.
 *
 * @param code what the case does
 * @param printed what the console shows of its failure
 */
record Example(String code, String printed) {}
