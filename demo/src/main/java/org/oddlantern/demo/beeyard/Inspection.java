package org.oddlantern.demo.beeyard;

import java.math.BigDecimal;
import java.time.LocalDate;

/**
 * An inspection as stored.
 *
 * @param id its number
 * @param hive the number of the hive
 * @param madeOn when it was made
 * @param mood how the bees behaved
 * @param frames frames covered with brood
 * @param temperature degrees Celsius in the middle of the brood
 * @param queenSeen whether the queen was seen
 */
public record Inspection(
    int id,
    int hive,
    LocalDate madeOn,
    String mood,
    int frames,
    BigDecimal temperature,
    boolean queenSeen) {}
