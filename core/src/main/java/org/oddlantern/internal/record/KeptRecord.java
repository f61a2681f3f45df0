package org.oddlantern.internal.record;

import org.jspecify.annotations.Nullable;

/**
 * Something that a case wanted kept with its results.
 *
 * @param name a name for people
 * @param contentType its media type
 * @param bytes its size
 * @param file where it lies, relative to the journal; null until it is written
 * @param octets its content until it is written; null in a journal
 */
public record KeptRecord(
    String name,
    String contentType,
    long bytes,
    @Nullable String file,
    @Nullable Octets octets) {}
