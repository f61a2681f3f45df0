package org.oddlantern.plan;

import java.util.List;

/**
 * What will run: every selected case and every case that makes what one of them takes, in source
 * order, with who waits for whom. Immutable.
 *
 * @param cases the cases; each one's order number is its index
 * @param warnings what deserves a look but keeps nothing from running
 */
public record Plan(List<PlannedCase> cases, List<String> warnings) {}
