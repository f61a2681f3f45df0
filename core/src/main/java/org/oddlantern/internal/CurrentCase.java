package org.oddlantern.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What the code at work may ask about the case it belongs to. The runner binds it, for the thread that
 * runs the case and those that it starts, and a piece of a case may add to it while it lasts; it is the
 * only static state of the library.
 */
public final class CurrentCase {

  private static final ThreadLocal<@Nullable List<Object>> PARTS = new InheritableThreadLocal<>();

  private CurrentCase() {}

  /**
   * The part of that type of the case at work.
   *
   * @param <T> the type asked for
   * @param type the type asked for
   * @return the part; empty outside a run
   */
  public static <T> Optional<T> part(Class<T> type) {
    List<Object> parts = PARTS.get();
    if (parts != null) {
      for (int i = 0; i < parts.size(); i++) { // asked some dozen times for a call
        Object part = parts.get(i);
        if (type.isInstance(part)) {
          return Optional.of(type.cast(part));
        }
      }
    }
    return Optional.empty();
  }

  /**
   * Binds a case to this thread until the binding is closed.
   *
   * @param parts what the code at work may ask for
   * @return the binding
   */
  public static Binding bind(List<Object> parts) {
    List<Object> before = PARTS.get();
    PARTS.set(List.copyOf(parts));
    return () -> restore(before);
  }

  /**
   * Adds a part for this thread until the binding is closed; it comes before others of its type.
   *
   * @param part what the code at work may ask for
   * @return the binding
   */
  public static Binding adding(Object part) {
    List<Object> before = PARTS.get();
    List<Object> parts = new ArrayList<>();
    parts.add(part);
    parts.addAll(before == null ? List.of() : before);
    PARTS.set(List.copyOf(parts));
    return () -> restore(before);
  }

  private static void restore(@Nullable List<Object> before) {
    if (before == null) {
      PARTS.remove();
    } else {
      PARTS.set(before);
    }
  }

  /** Ends a binding; the one before it holds again. */
  @FunctionalInterface
  public interface Binding extends AutoCloseable {
    @Override
    void close();
  }
}
