package org.oddlantern.schema.internal;

import java.util.BitSet;
import java.util.HashSet;
import java.util.Set;

/** The fields and items of one value that some subschema has looked at. */
final class Covered {

  private final Set<String> names = new HashSet<>();
  private final BitSet items = new BitSet();
  private boolean everyName;
  private boolean everyItem;

  void name(String name) {
    names.add(name);
  }

  void everyName() {
    everyName = true;
  }

  void item(int index) {
    items.set(index);
  }

  void itemsBefore(int end) {
    items.set(0, end);
  }

  void everyItem() {
    everyItem = true;
  }

  boolean has(String name) {
    return everyName || names.contains(name);
  }

  boolean has(int index) {
    return everyItem || items.get(index);
  }

  void add(Covered other) {
    names.addAll(other.names);
    items.or(other.items);
    everyName |= other.everyName;
    everyItem |= other.everyItem;
  }
}
