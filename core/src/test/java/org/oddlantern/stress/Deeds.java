package org.oddlantern.stress;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.oddlantern.payload.Fresh;

/** What the generated methods do: they note that they ran and end as their item says. */
public final class Deeds {

  private static final AtomicReference<Deeds> CURRENT = new AtomicReference<>();

  private final Map<Integer, Item> items;
  private final Map<String, String> labels;
  private final int pause;
  private final List<String> events = new ArrayList<>();
  private final List<String> wrong = new ArrayList<>();

  /**
   * Deeds of one run.
   *
   * @param items the items by number
   * @param labels who asks, by the first fresh text that he gets (rule 25)
   * @param pause milliseconds that a method may take
   */
  Deeds(Map<Integer, Item> items, Map<String, String> labels, int pause) {
    this.items = items;
    this.labels = labels;
    this.pause = pause;
    CURRENT.set(this);
  }

  List<String> events() {
    return events;
  }

  /** Values that came to the wrong taker. */
  List<String> wrong() {
    return wrong;
  }

  /** Called by generated code: one call of a case or a supply. */
  public static @Nullable Object run(int id, Fresh fresh, Object[] taken, @Nullable Class<?> gives)
      throws Exception {
    return CURRENT.get().ran(id, fresh, taken, gives);
  }

  /** Called by generated code: one value is put back. */
  public static void putBack(Value value) {
    CURRENT.get().note("put back " + value.label);
  }

  private @Nullable Object ran(int id, Fresh fresh, Object[] taken, @Nullable Class<?> gives)
      throws Exception {
    Item item = items.get(id);
    String label = labels.getOrDefault(fresh.text(""), "nobody");
    note("run " + label);
    check(item, label, taken);
    if (pause > 0) {
      Thread.sleep(new Random(label.hashCode()).nextInt(pause));
    }
    try {
      return ended(item, label, gives);
    } finally {
      note("end " + label);
    }
  }

  private @Nullable Object ended(Item item, String label, @Nullable Class<?> gives)
      throws Exception {
    int attempt = Integer.parseInt(label.replaceAll(".*#", ""));
    if (item.isCase() ? attempt <= item.failures() : item.failures() > 0) {
      switch (item.how()) {
        case "fail" -> throw new AssertionError("as wanted");
        case "nothing" -> {
          return null;
        }
        case "hang" -> Thread.sleep(60_000);
        default -> throw new IOException("as wanted");
      }
    }
    if (gives == null) {
      return null;
    }
    Value value = (Value) gives.getConstructor().newInstance();
    value.label = label;
    return value;
  }

  /** Each value comes from its maker, and from a supply of one's own only if it was made for this asker. */
  private void check(Item item, String label, Object[] taken) {
    String asker = label.replaceAll("^\\d+ for ", "");
    for (int i = 0; i < taken.length; i++) {
      int from = item.takes().get(i).from();
      String got = ((Value) taken[i]).label;
      boolean own = items.get(from).kind() == Item.Kind.OWN_SUPPLY;
      if (!(own ? got.equals(from + " for " + asker) : got.startsWith(from + "#"))) {
        synchronized (this) {
          wrong.add(label + " got " + got + " of " + Arrays.toString(taken));
        }
      }
    }
  }

  private synchronized void note(String event) {
    events.add(event);
  }
}
