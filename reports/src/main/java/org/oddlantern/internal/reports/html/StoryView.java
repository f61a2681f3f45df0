package org.oddlantern.internal.reports.html;

import org.jspecify.annotations.Nullable;

/**
 * One thing of the story of a case: a part that begins, or something that was asked.
 *
 * @param step what the part that begins here is about; empty if it is something asked
 * @param exchange what was asked; null if a part begins
 */
public record StoryView(String step, @Nullable ExchangeView exchange) {}
