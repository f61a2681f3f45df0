package org.oddlantern.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.oddlantern.config.internal.SettingInForce;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.config.internal.SettingsSchema;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Mixin;
import org.oddlantern.shaded.picocli.CommandLine.Option;

/** {@code odd-lantern settings}: what is in force, and where each value comes from. */
@Command(
    name = "settings",
    description = "Prints the settings in force and where each comes from, secrets hidden.",
    mixinStandardHelpOptions = true)
final class SettingsCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Mixin
  private SettingsOptions options = new SettingsOptions();

  @Option(
      names = "--schema",
      description =
          "Write a JSON Schema of the settings beside their file, by which editors complete keys.")
  private boolean schema;

  SettingsCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    Settings found = SettingsFile.find(Path.of(""), SettingsCommand.class.getClassLoader());
    if (schema) {
      return written(found);
    }
    Settings settings = options.over(found);
    List<SettingInForce> lines = settings.inForce(options.chosen(), System.getenv());
    int key = lines.stream().mapToInt(line -> line.key().length()).max().orElse(0);
    int value = lines.stream().mapToInt(line -> line.value().length()).max().orElse(0);
    String format = "%-" + Math.max(1, key) + "s  %-" + Math.max(1, value) + "s  %s";
    PrintStream out = terminal.out();
    out.println("file         "
        + (settings.origin().isEmpty()
            ? "none: no " + Settings.FILE + " from here up to the build's root"
            : settings.origin()));
    out.println("environment  " + options.environment(settings).name());
    out.println();
    lines.forEach(line -> out.println(format.formatted(line.key(), line.value(), line.origin())));
    return 0;
  }

  private int written(Settings found) {
    Path folder = found.folder() == null ? Path.of("") : found.folder();
    Path file = folder.resolve(SettingsSchema.FILE);
    String line = "# yaml-language-server: $schema=" + SettingsSchema.FILE;
    try {
      Files.writeString(file, SettingsSchema.text());
      terminal.out().println("schema    " + file);
      Path settings = folder.resolve(Settings.FILE);
      if (!Files.exists(settings) || !Files.readString(settings).contains(line)) {
        terminal.out().println("add       " + line);
        terminal.out().println("          as the first line of " + settings);
      }
      return 0;
    } catch (IOException e) {
      throw new Misuse("the schema " + file + " cannot be written: " + e);
    }
  }
}
