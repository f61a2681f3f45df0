package org.oddlantern.json.internal;

import java.lang.reflect.Member;
import org.oddlantern.json.Key;

/** Which types are {@link Key} records, for each mapper that must know. */
public final class KeyType {

  private KeyType() {}

  /**
   * Whether a type is written and read as its one component.
   *
   * @param type any type
   * @return true if it is a key record
   * @throws IllegalArgumentException if the mark stands on what cannot be one
   */
  public static boolean is(Class<?> type) {
    if (!type.isAnnotationPresent(Key.class)) {
      return false;
    }
    if (!type.isRecord() || type.getRecordComponents().length != 1) {
      throw new IllegalArgumentException("@Key is on " + type.getName()
          + ", which is not a record of exactly one component; make it one or remove the mark");
    }
    return true;
  }

  /**
   * Whether a method is the accessor of such a component.
   *
   * @param member any method
   * @return true if it is
   */
  public static boolean isAccessor(Member member) {
    return is(member.getDeclaringClass())
        && member.getDeclaringClass().getRecordComponents()[0].getAccessor().equals(member);
  }
}
