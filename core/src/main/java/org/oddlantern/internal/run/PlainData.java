package org.oddlantern.internal.run;

import java.lang.reflect.Field;
import java.lang.reflect.Modifier;
import java.net.URI;
import java.time.temporal.TemporalAccessor;
import java.time.temporal.TemporalAmount;
import java.util.Arrays;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Json;
import org.oddlantern.json.Secret;

/**
 * Tells whether a value holds nothing but data, so that it can be looked at without anything happening: a
 * mapper asks every getter, and that of a pool of connections opens one.
 */
final class PlainData {

  private static final int DEEPEST = 12;
  private static final int MOST = 20_000;

  private int seen;

  private PlainData() {}

  static boolean is(@Nullable Object value) {
    return new PlainData().holds(value, 0);
  }

  private boolean holds(@Nullable Object value, int depth) {
    if (value == null || isScalar(value)) {
      return true;
    }
    if (depth > DEEPEST || ++seen > MOST) {
      return false;
    }
    if (value instanceof Optional<?> maybe) {
      return holds(maybe.orElse(null), depth + 1);
    }
    if (value instanceof Collection<?> all) {
      return all.stream().allMatch(one -> holds(one, depth + 1));
    }
    if (value instanceof Map<?, ?> map) {
      return map.entrySet().stream()
          .allMatch(one -> holds(one.getKey(), depth + 1) && holds(one.getValue(), depth + 1));
    }
    if (value instanceof Object[] array) {
      return Arrays.stream(array).allMatch(one -> holds(one, depth + 1));
    }
    return value.getClass().isArray() || fields(value, value.getClass(), depth);
  }

  private static boolean isScalar(Object value) {
    return value instanceof CharSequence
        || value instanceof Number
        || value instanceof Boolean
        || value instanceof Character
        || value instanceof Enum
        || value instanceof TemporalAccessor
        || value instanceof TemporalAmount
        || value instanceof UUID
        || value instanceof URI
        || value instanceof Secret
        || value instanceof Json;
  }

  /** Of what somebody has written: records, and classes with fields. */
  private boolean fields(Object value, Class<?> type, int depth) {
    for (Class<?> one = type;
        one != Object.class && one != Record.class;
        one = one.getSuperclass()) {
      if (one == null || one.getModule().isNamed() || isOurs(one)) {
        return false;
      }
      for (Field field : one.getDeclaredFields()) {
        if (!Modifier.isStatic(field.getModifiers()) && !holds(of(value, field), depth + 1)) {
          return false;
        }
      }
    }
    return true;
  }

  /** Services, stand-ins and programs do something. */
  private static boolean isOurs(Class<?> type) {
    String room = type.getPackageName();
    return room.equals("org.oddlantern.http")
        || room.equals("org.oddlantern.standin")
        || room.equals("org.oddlantern.program")
        || room.equals("org.oddlantern.database");
  }

  /** What cannot be seen is no data. */
  private static @Nullable Object of(Object value, Field field) {
    try {
      field.setAccessible(true);
      return field.get(value);
    } catch (ReflectiveOperationException | RuntimeException e) {
      return new Object[] {Thread.currentThread()};
    }
  }
}
