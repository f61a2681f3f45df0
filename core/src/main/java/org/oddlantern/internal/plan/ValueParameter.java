package org.oddlantern.internal.plan;

import java.lang.reflect.Type;
import java.util.List;

/**
 * A value that a case takes, as a parameter of its method or of a constructor on the way to it.
 *
 * @param type the exact type asked for
 * @param use what the case does with it
 * @param madeBy the classes in which alone its maker may be; empty for the usual places
 * @param asker the class from which its maker is looked for
 */
public record ValueParameter(Type type, Use use, List<Class<?>> madeBy, Class<?> asker) {

  /** What the JDK makes for a record would ask each part by a method handle, for each case. */
  @Override
  public int hashCode() {
    return 31 * type.hashCode() + asker.hashCode();
  }

  /** What a case does with a value. */
  public enum Use {
    /** It reads. */
    READS,
    /** It changes what the value stands for. */
    CHANGES,
    /** It ends what the value stands for. */
    USES_UP
  }
}
