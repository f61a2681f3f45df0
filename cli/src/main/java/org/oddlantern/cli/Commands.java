package org.oddlantern.cli;

import java.lang.reflect.Constructor;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.shaded.picocli.CommandLine;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.IFactory;
import org.oddlantern.shaded.picocli.CommandLine.Model.CommandSpec;

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

  /** Those that the words are about: reading all takes time at each start, so most are only listed, or not there. */
  void put(CommandLine line, String... words) {
    Class<?> first = words.length == 0 || OF_ALL.contains(words[0]) ? null : ALL.get(words[0]);
    if (first != null) {
      line.addSubcommand(new CommandLine(first, this));
    } else if (words.length == 1 && words[0].startsWith("-")) {
      ALL.values().forEach(one -> line.addSubcommand(listed(one)));
    } else {
      ALL.values().forEach(one -> line.addSubcommand(new CommandLine(one, this)));
    }
  }

  /** A command that only its name and its description are known of. */
  private static CommandLine listed(Class<?> type) {
    Command command = type.getAnnotation(Command.class);
    CommandSpec spec = CommandSpec.create().name(command.name());
    spec.usageMessage().description(command.description());
    return new CommandLine(spec);
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
      Class<?>[] wanted = constructor.getParameterTypes();
      if (wanted.length == 1 && wanted[0] == Terminal.class) {
        return type.cast(constructor.newInstance(terminal));
      }
      if (wanted.length == 0 && type.getPackage() == Commands.class.getPackage()) {
        return type.cast(constructor.newInstance());
      }
    }
    return CommandLine.defaultFactory().create(type);
  }
}
