package org.oddlantern.stress;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.oddlantern.internal.plan.ValueParameter;

/** Random cases and supplies, which take from each other without circles. */
final class RandomItems {

  private final Random random;
  private int rarity;

  RandomItems(long seed) {
    random = new Random(seed);
  }

  /** Some items in the order in which they stand in their classes, which is not that of their numbers. */
  List<Item> of(int count) {
    rarity = Math.max(20, count);
    List<Item> items = new ArrayList<>();
    for (int id = 0; id < count; id++) {
      items.add(item(id, items));
    }
    Collections.shuffle(items, random);
    items.sort((a, b) -> Integer.compare(a.suite(), b.suite()));
    return items;
  }

  private Item item(int id, List<Item> before) {
    Item.Kind kind =
        in(7) ? Item.Kind.SHARED_SUPPLY : in(7) ? Item.Kind.OWN_SUPPLY : Item.Kind.CASE;
    boolean isCase = kind == Item.Kind.CASE;
    int tries = isCase && in(8) ? 1 + random.nextInt(3) : 1;
    List<Item.Take> takes = new ArrayList<>();
    List<Item> makers = new ArrayList<>(before.stream().filter(Item::gives).toList());
    Collections.shuffle(makers, random);
    int wanted = random.nextInt(4);
    for (Item maker : makers.subList(0, Math.min(wanted, makers.size()))) {
      takes.add(new Item.Take(maker.id(), isCase && tries == 1 ? use() : ValueParameter.Use.READS));
    }
    String how = isCase
        ? List.of("fail", "error", "nothing", "fail", "error", "hang").get(random.nextInt(6))
        : "error";
    boolean gives = !isCase || random.nextInt(3) > 0;
    int failures = in(9) ? 1 + random.nextInt(3) : 0;
    return new Item(
        id,
        kind,
        random.nextInt(4),
        gives,
        random.nextBoolean(),
        takes,
        isCase && in(20) ? List.of("skipped", "pending", "fault").get(random.nextInt(3)) : "",
        isCase && in(25),
        isCase && in(10) ? "thing" + random.nextInt(2) : null,
        tries,
        failures,
        how.equals("nothing") && !gives ? "fail" : how);
  }

  /** The more items there are, the sooner two changes cross; most plans are to run. */
  private ValueParameter.Use use() {
    int die = random.nextInt(rarity);
    return die == 0
        ? ValueParameter.Use.USES_UP
        : die <= 2 ? ValueParameter.Use.CHANGES : ValueParameter.Use.READS;
  }

  private boolean in(int sides) {
    return random.nextInt(sides) == 0;
  }
}
