package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/**
 * Looks at all files of some folders, which is as quick on every system. A change counts when nothing has
 * changed since the look before, so that a compiler can finish what it began.
 */
final class WatchedFolders {

  /** How long to wait between two looks. */
  static final int EACH_MILLIS = 100;

  private final List<Path> folders;
  private Map<Path, State> known;
  private Map<Path, State> last;
  private String changed = "";

  private WatchedFolders(List<Path> folders) {
    this.folders = folders;
    this.known = seen();
    this.last = known;
  }

  static WatchedFolders of(List<Path> folders) {
    return new WatchedFolders(folders);
  }

  /** Whether something has changed and come to rest since the last time it had. */
  boolean look() {
    Map<Path, State> now = seen();
    boolean resting = now.equals(last);
    last = now;
    if (!resting || now.equals(known)) {
      return false;
    }
    changed = told(known, now);
    known = now;
    return true;
  }

  /** What changed last, in a few words. */
  String changed() {
    return changed;
  }

  private static String told(Map<Path, State> before, Map<Path, State> now) {
    TreeSet<String> names = new TreeSet<>();
    now.forEach((file, state) -> {
      if (!state.equals(before.get(file))) {
        names.add(name(file));
      }
    });
    before.keySet().stream()
        .filter(file -> !now.containsKey(file))
        .forEach(file -> names.add(name(file)));
    String first = names.first();
    return names.size() == 1 ? first : first + " and " + (names.size() - 1) + " more";
  }

  private static String name(Path file) {
    return file.getFileName() + "";
  }

  private Map<Path, State> seen() {
    Map<Path, State> seen = new HashMap<>();
    for (Path folder : folders) {
      try {
        Files.walkFileTree(folder, new Looking(seen));
      } catch (IOException e) {
        // a folder that is being made anew is seen at the next look
      }
    }
    return seen;
  }

  /**
   * A file at one moment.
   *
   * @param modified when it was written, in milliseconds
   * @param size its size in bytes
   */
  private record State(long modified, long size) {}

  /** Keeps the state of each file. */
  private static final class Looking extends SimpleFileVisitor<Path> {
    private final Map<Path, State> seen;

    Looking(Map<Path, State> seen) {
      this.seen = seen;
    }

    @Override
    public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
      seen.put(file, new State(attributes.lastModifiedTime().toMillis(), attributes.size()));
      return FileVisitResult.CONTINUE;
    }

    @Override
    public FileVisitResult visitFileFailed(Path file, IOException e) {
      return FileVisitResult.CONTINUE;
    }
  }
}
