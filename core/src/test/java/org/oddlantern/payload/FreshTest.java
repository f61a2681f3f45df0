package org.oddlantern.payload;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class FreshTest {

  enum Mood {
    CALM,
    BUSY
  }

  private final Fresh fresh = Fresh.seeded("seed", "Suite#case");

  @Test
  void theSeedRepeatsEveryValueForTheSameAskerOnly() {
    assertEquals(all(Fresh.seeded("seed", "Suite#case")), all(fresh));
    assertNotEquals(
        all(Fresh.seeded("seed", "Suite#case")), all(Fresh.seeded("seed", "Suite#other")));
    assertNotEquals(
        all(Fresh.seeded("other", "Suite#case")), all(Fresh.seeded("seed", "Suite#case")));
  }

  private static List<Object> all(Fresh fresh) {
    LocalDate day = LocalDate.of(2026, 2, 28);
    return List.of(
        fresh.text("a"),
        fresh.email(),
        fresh.number(Long.MIN_VALUE, Long.MAX_VALUE),
        fresh.uuid(),
        fresh.date(day, day.plusYears(9)),
        fresh.pick(List.of(1, 2, 3, 4, 5, 6, 7, 8)));
  }

  @Test
  void valuesAreUniqueAndStayInTheirBounds() {
    Set<Object> seen = new HashSet<>();
    Set<Long> numbers = new HashSet<>();
    LocalDate day = LocalDate.of(2026, 2, 28);
    for (int i = 0; i < 10_000; i++) {
      assertTrue(seen.add(fresh.text("")) && seen.add(fresh.email()));
      var uuid = fresh.uuid();
      assertTrue(seen.add(uuid) && uuid.version() == 4 && uuid.variant() == 2, uuid.toString());
      numbers.add(fresh.number(-1, 1));
      assertTrue(List.of(day, day.plusDays(1)).contains(fresh.date(day, day.plusDays(1))));
    }
    assertEquals(Set.of(-1L, 0L, 1L), numbers);
    assertEquals(7, fresh.number(7, 7));
    assertTrue(Set.of(Mood.values()).contains(fresh.pick(Mood.class)));
  }

  @Test
  void whatCannotBeIsRefused() {
    assertEquals(
        "there is no number from 2 to 1; the least comes first",
        assertThrows(IllegalArgumentException.class, () -> fresh.number(2, 1)).getMessage());
    assertThrows(IllegalArgumentException.class, () -> fresh.pick(List.of()));
    assertThrows(
        IllegalArgumentException.class,
        () -> fresh.date(LocalDate.of(2026, 1, 2), LocalDate.of(2026, 1, 1)));
  }
}
