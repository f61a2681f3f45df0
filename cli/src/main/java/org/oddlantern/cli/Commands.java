package org.oddlantern.cli;

import java.lang.reflect.Constructor;
import picocli.CommandLine;
import picocli.CommandLine.IFactory;

/** Makes the verbs, each that prints with the terminal it prints to. */
record Commands(Terminal terminal) implements IFactory {

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
