package org.oddlantern.cli;

import java.io.IOException;
import java.io.InputStream;
import java.lang.ProcessBuilder.Redirect;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;

/**
 * The keys that somebody presses. A terminal gives each at once, without showing it, until this is closed;
 * where that cannot be arranged, a key counts when its line is ended.
 */
final class Keys implements AutoCloseable {

  private final LinkedBlockingQueue<Integer> pressed = new LinkedBlockingQueue<>();
  private final @Nullable String before;
  private final Thread restoring = new Thread(this::restore, "odd-lantern keys");

  private Keys(@Nullable String before) {
    this.before = before;
  }

  static Keys read() {
    String state = stty(List.of("-g"));
    Keys keys = new Keys(state);
    if (state != null) {
      Runtime.getRuntime().addShutdownHook(keys.restoring);
      stty(List.of("-icanon", "-echo", "min", "1"));
    }
    Thread reader = new Thread(() -> keys.readAll(System.in), "odd-lantern keys");
    reader.setDaemon(true);
    reader.start();
    return keys;
  }

  /** The next key, or 0 if none came in time. */
  int next(int millis) {
    try {
      Integer key = pressed.poll(millis, TimeUnit.MILLISECONDS);
      return key == null ? 0 : key;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return 'e';
    }
  }

  private void readAll(InputStream in) {
    try {
      for (int key = in.read(); key >= 0; key = in.read()) {
        pressed.add(key);
      }
    } catch (IOException e) {
      // nobody can press a key any more
    }
  }

  @Override
  public void close() {
    restore();
    if (before != null) {
      try {
        Runtime.getRuntime().removeShutdownHook(restoring);
      } catch (IllegalStateException e) {
        // the process is ending already, with the hook
      }
    }
  }

  private void restore() {
    if (before != null) {
      stty(List.of(before));
    }
  }

  /** What the terminal's own program answers; null if there is no terminal, or no such program. */
  private static @Nullable String stty(List<String> words) {
    try {
      List<String> command = new ArrayList<>(List.of("stty"));
      command.addAll(words);
      Process process = new ProcessBuilder(command)
          .redirectInput(Redirect.INHERIT)
          .redirectError(Redirect.DISCARD)
          .start();
      String answer =
          new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8).trim();
      return process.waitFor() == 0 ? answer : null;
    } catch (IOException e) {
      return null;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return null;
    }
  }
}
