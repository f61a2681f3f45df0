package org.oddlantern.cli;

import java.lang.reflect.Constructor;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.shaded.picocli.CommandLine;
import org.oddlantern.shaded.picocli.CommandLine.IFactory;

/** Makes the commands, each that prints with the terminal it prints to. */
record Commands(Terminal terminal) implements IFactory {

  private static final Map<String, Class<?>> ALL = all();

  /** What speaks of all others. */
  private static final Set<String> OF_ALL = Set.of("help", "completion");

  private static Map<String, Class<?>> all() {
    Map<String, Class<?>> commands = new LinkedHashMap<>();
    commands.put("run", RunCommand.class);
    commands.put("list", ListCommand.class);
    commands.put("report", ReportCommand.class);
    commands.put("agree", AgreeCommand.class);
    commands.put("path", PathCommand.class);
    commands.put("schema", SchemaCommand.class);
    commands.put("settings", SettingsCommand.class);
    commands.put("new", NewCommand.class);
    commands.put("demo", DemoCommand.class);
    commands.put("completion", CompletionCommand.class);
    commands.put("help", HelpCommand.class);
    return commands;
  }

  /** The command that comes first, if it is one, since reading all takes time at each start; else all. */
  Collection<Class<?>> first(String... words) {
    boolean all = words.length == 0 || OF_ALL.contains(words[0]);
    Class<?> first = all ? null : ALL.get(words[0]);
    return first == null ? ALL.values() : List.of(first);
  }

  /** What is told of a word that is no command of a command. */
  static String unknown(String word, CommandLine of) {
    Collection<String> known = of.getSubcommands().keySet();
    String hint = NearestMatch.hint(word, known);
    return "no command '" + word + "'; "
        + (hint.isEmpty() ? "there are " + String.join(", ", known) : hint);
  }

  /** Whether the command that comes first runs suites. */
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
