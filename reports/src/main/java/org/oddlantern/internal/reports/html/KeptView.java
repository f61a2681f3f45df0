package org.oddlantern.internal.reports.html;

/**
 * Something that a case kept.
 *
 * @param name its name
 * @param size its size and media type, in words
 * @param link where it lies, seen from the page
 * @param picture whether a page can show it
 */
public record KeptView(String name, String size, String link, boolean picture) {}
