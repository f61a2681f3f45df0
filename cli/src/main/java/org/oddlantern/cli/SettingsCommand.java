package org.oddlantern.cli;

import java.io.PrintStream;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.oddlantern.config.internal.SettingInForce;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Mixin;

/** {@code odd-lantern settings}: what is in force, and where each value comes from. */
@Command(
    name = "settings",
    description = "Prints the settings in force and where each comes from, secrets hidden.",
    mixinStandardHelpOptions = true)
final class SettingsCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Mixin
  private SettingsOptions options = new SettingsOptions();

  SettingsCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    Settings settings =
        options.over(SettingsFile.find(Path.of(""), SettingsCommand.class.getClassLoader()));
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
}
