package org.oddlantern.internal.record;

/**
 * What a case does to a good value, if its sample is a way to change one.
 *
 * @param what what, in words: {@code label is too long}
 * @param breaks whether the value is not good after it, so that a service should refuse it
 */
public record RecipeRecord(String what, boolean breaks) {}
