package org.oddlantern.demo.beeyard;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.time.LocalDate;

/**
 * A hive as stored.
 *
 * @param id its number
 * @param label its label, unique
 * @param kind how it is built
 * @param queenYear the year of its queen
 * @param plot where it stands
 * @param keeper who keeps it
 * @param registeredOn when it was registered
 * @param version counts its changes
 */
public record Hive(
    int id,
    String label,
    String kind,
    int queenYear,
    String plot,
    String keeper,
    LocalDate registeredOn,
    @JsonIgnore int version) {

  String entityTag() {
    return "\"" + id + "-" + version + "\"";
  }
}
