package org.oddlantern.cli;

import picocli.CommandLine;
import picocli.CommandLine.IFactory;

/** Makes the verbs, each with the terminal it prints to. */
record Commands(Terminal terminal) implements IFactory {

  @Override
  public <K> K create(Class<K> type) throws Exception {
    if (type == RunCommand.class) {
      return type.cast(new RunCommand(terminal));
    }
    if (type == ListCommand.class) {
      return type.cast(new ListCommand(terminal));
    }
    if (type == PathCommand.class) {
      return type.cast(new PathCommand(terminal));
    }
    if (type == SettingsCommand.class) {
      return type.cast(new SettingsCommand(terminal));
    }
    return type == DemoCommand.class
        ? type.cast(new DemoCommand(terminal))
        : CommandLine.defaultFactory().create(type);
  }
}
