package org.oddlantern.xml;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;

/** An element made by chance: its name, its attributes, and texts and elements in their order. */
record RandomElement(String name, TreeMap<String, String> attributes, List<Object> parts) {

  private static final List<String> TEXTS = List.of("", " ", "x", " x", "x ", "\n  ", "y");

  static RandomElement of(Random random, int depth) {
    TreeMap<String, String> attributes = new TreeMap<>();
    if (random.nextInt(3) == 0) {
      attributes.put(random.nextBoolean() ? "id" : "kind", TEXTS.get(2 + random.nextInt(2)));
    }
    List<Object> parts = new ArrayList<>();
    for (int i = depth == 0 ? random.nextInt(2) : random.nextInt(4); i > 0; i--) {
      parts.add(
          depth > 0 && random.nextInt(3) > 0
              ? of(random, depth - 1)
              : TEXTS.get(random.nextInt(TEXTS.size())));
    }
    return new RandomElement(random.nextBoolean() ? "a" : "b", attributes, parts);
  }

  /** The same with one part put elsewhere, written otherwise, or left as it is. */
  RandomElement changed(Random random) {
    List<Object> others = new ArrayList<>(parts);
    if (!others.isEmpty()) {
      int at = random.nextInt(others.size());
      switch (random.nextInt(4)) {
        case 0 -> others.add(random.nextInt(others.size()), others.remove(at));
        case 1 -> others.set(at, TEXTS.get(random.nextInt(TEXTS.size())));
        case 2 -> others.add(at, TEXTS.get(random.nextInt(2)));
        default -> {
          // the same document
        }
      }
    }
    return new RandomElement(name, attributes, others);
  }

  /** What it says: space alone among elements says nothing unless text stands among them too. */
  List<Object> meaning() {
    List<Object> said = new ArrayList<>(List.of(name, attributes));
    StringBuilder text = new StringBuilder();
    boolean elements = parts.stream().anyMatch(RandomElement.class::isInstance);
    boolean mixed = parts.stream().anyMatch(part -> part instanceof String one && !one.isBlank());
    for (Object part : parts) {
      if (part instanceof RandomElement element) {
        said.add(text.toString());
        text.setLength(0);
        said.add(element.meaning());
      } else if (!elements || mixed) {
        text.append(part);
      }
    }
    said.add(text.toString());
    return said;
  }

  String written(Random random) {
    StringBuilder xml = new StringBuilder("<" + name);
    attributes.forEach(
        (key, value) -> xml.append(" ").append(key).append("='").append(value).append("'"));
    xml.append(">");
    for (Object part : parts) {
      if (random.nextInt(6) == 0) {
        xml.append("<!-- a note -->");
      }
      if (part instanceof RandomElement element) {
        xml.append(element.written(random));
      } else {
        xml.append(random.nextInt(4) == 0 ? "<![CDATA[" + part + "]]>" : part);
      }
    }
    return xml.append("</").append(name).append(">").toString();
  }
}
