package org.oddlantern.internal.reports.html;

import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.BodyRecord;

/** Fetches the texts of bodies, also of those that lie beside the journal. Thread-safe. */
final class Bodies {

  private final Journal journal;
  private final Path pages;
  private final Queue<Throwable> unshown = new ConcurrentLinkedQueue<>();

  Bodies(Journal journal, Path pages) {
    this.journal = journal;
    this.pages = pages;
  }

  /** One could not be shown, though its page could. */
  void unshown(Throwable cause) {
    unshown.add(cause);
  }

  /** Why those could not be shown that could not. */
  Queue<Throwable> unshown() {
    return unshown;
  }

  /** Where something beside the journal lies, seen from the pages. */
  String link(@Nullable String file) {
    Path target =
        journal.file().toAbsolutePath().resolveSibling(String.valueOf(file)).normalize();
    return pages.toAbsolutePath().normalize().relativize(target).toString().replace('\\', '/');
  }

  /** Where the journal lies. */
  Path folder() {
    return journal.folder();
  }

  /** The beginning of a body that lies beside the journal. */
  String beginning(BodyRecord body, int characters) {
    Path file = journal.file().resolveSibling(String.valueOf(body.file()));
    char[] beginning = new char[characters];
    try (Reader reader = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
      int read = 0;
      for (int more = reader.read(beginning);
          more > 0;
          more = reader.read(beginning, read, characters - read)) {
        read += more;
      }
      return new String(beginning, 0, read);
    } catch (IOException e) {
      throw new UncheckedIOException(
          "the body " + body.file() + " of the journal cannot be read: " + e.getMessage(), e);
    }
  }

  String text(BodyRecord body) {
    try {
      return journal.text(body);
    } catch (IOException e) {
      throw new UncheckedIOException(
          "the body " + body.file() + " of the journal cannot be read: " + e.getMessage(), e);
    }
  }
}
