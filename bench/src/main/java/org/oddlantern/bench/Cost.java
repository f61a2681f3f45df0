package org.oddlantern.bench;

import com.sun.management.OperatingSystemMXBean;
import java.lang.management.ManagementFactory;

/** What a side has cost in processor time, told to the one who pairs. */
final class Cost {

  static final String WORD = "cpu-nanos ";

  private Cost() {}

  static void print() {
    OperatingSystemMXBean system = ManagementFactory.getPlatformMXBean(OperatingSystemMXBean.class);
    System.out.println(WORD + system.getProcessCpuTime());
  }
}
