package org.oddlantern.internal;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** The names of the files that a piece of a suite has read. For one thread. */
public final class ReadFiles {

  private final Set<String> names = new LinkedHashSet<>();

  /** Nothing is read yet. */
  public ReadFiles() {}

  void add(String name) {
    names.add(name);
  }

  /**
   * Their names, as the suite wrote them.
   *
   * @return each once, in the order in which they were read
   */
  public List<String> names() {
    return List.copyOf(names);
  }
}
