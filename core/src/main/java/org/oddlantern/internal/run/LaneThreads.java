package org.oddlantern.internal.run;

import java.lang.reflect.Method;
import java.util.concurrent.ThreadFactory;

/**
 * Makes the threads of lanes: daemons of the platform, or virtual ones where there are many and the JDK has
 * them (21 and newer).
 */
final class LaneThreads {

  /** From so many lanes on threads are virtual. */
  static final int MANY = 256;

  private LaneThreads() {}

  static ThreadFactory of(int lanes, String name) {
    return lanes >= MANY && Runtime.version().feature() >= 21 ? virtual(name) : platform(name);
  }

  private static ThreadFactory platform(String name) {
    return work -> {
      Thread made = new Thread(work, name);
      made.setDaemon(true);
      return made;
    };
  }

  /** By reflection, since this library runs on JDK 17 too. */
  private static ThreadFactory virtual(String name) {
    try {
      Object builder = Thread.class.getMethod("ofVirtual").invoke(null);
      Class<?> type = Class.forName("java.lang.Thread$Builder");
      Object named = type.getMethod("name", String.class).invoke(builder, name);
      Method factory = type.getMethod("factory");
      return (ThreadFactory) factory.invoke(named);
    } catch (ReflectiveOperationException e) {
      return platform(name);
    }
  }
}
