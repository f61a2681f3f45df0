package org.oddlantern.demo.beeyard;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;

/** The data the beeyard starts with, the same every time. */
final class Seed {

  private static final List<String> MOODS = List.of("calm", "busy", "restless", "swarming");
  private static final int INSPECTIONS = 72;

  private Seed() {}

  static void into(Store store) {
    store.addKeeper("wren", "honey-and-thyme");
    store.addKeeper("alder", "smoke-and-willow");
    store.register(new HiveForm("Foxglove", "stack", 2025, "north slope"), "wren");
    store.register(new HiveForm("Meadowsweet", "long", 2024, "orchard"), "wren");
    store.register(new HiveForm("Old Straw", "straw", 2023, "garden wall"), "alder");
    LocalDate first = LocalDate.of(2026, 3, 2);
    for (int i = 1; i <= INSPECTIONS; i++) {
      store.addInspection(new Inspection(
          i,
          1 + i % 3,
          first.plusDays(2L * i),
          MOODS.get(i * 7 % MOODS.size()),
          3 + i * 5 % 8,
          BigDecimal.valueOf(335 + i * 3 % 20, 1),
          i % 4 != 0));
    }
  }
}
