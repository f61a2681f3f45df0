package org.oddlantern.internal.record;

import java.util.List;

/**
 * How a case or supply went, and nothing else of it.
 *
 * @param kind whether it is a case
 * @param id what it is known by
 * @param suite its suite
 * @param title its title
 * @param hasRun whether it ran at all
 * @param outcome how it ended
 * @param marks what else there is to say of it
 * @param tookMicros how long it took
 */
public record CaseOutcome(
    RecordKind kind,
    String id,
    String suite,
    String title,
    boolean hasRun,
    Outcome outcome,
    List<Mark> marks,
    long tookMicros) {}
