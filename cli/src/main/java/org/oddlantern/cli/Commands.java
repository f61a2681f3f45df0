package org.oddlantern.cli;

import java.lang.reflect.Constructor;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine;
import picocli.CommandLine.IFactory;

/** Makes the verbs, each that prints with the terminal it prints to. */
record Commands(Terminal terminal) implements IFactory {

  private static final Map<String, Class<?>> VERBS = verbs();

  private static Map<String, Class<?>> verbs() {
    Map<String, Class<?>> verbs = new LinkedHashMap<>();
    verbs.put("run", RunCommand.class);
    verbs.put("list", ListCommand.class);
    verbs.put("report", ReportCommand.class);
    verbs.put("path", PathCommand.class);
    verbs.put("schema", SchemaCommand.class);
    verbs.put("settings", SettingsCommand.class);
    verbs.put("demo", DemoCommand.class);
    return verbs;
  }

  /** The verb that comes first, if it is one, since reading all takes time at each start; else all. */
  Collection<Class<?>> verbs(String... words) {
    Class<?> first = words.length == 0 ? null : VERBS.get(words[0]);
    return first == null ? VERBS.values() : List.of(first);
  }

  /** Whether the verb that comes first runs suites. */
  static boolean runs(String... words) {
    return words.length > 0 && (words[0].equals("run") || words[0].equals("demo"));
  }

  @Override
  public <K> K create(Class<K> type) throws Exception {
    for (Constructor<?> constructor : type.getDeclaredConstructors()) {
      if (constructor.getParameterCount() == 1
          && constructor.getParameterTypes()[0] == Terminal.class) {
        return type.cast(constructor.newInstance(terminal));
      }
    }
    return CommandLine.defaultFactory().create(type);
  }
}
