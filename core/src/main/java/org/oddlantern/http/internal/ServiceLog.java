package org.oddlantern.http.internal;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The file into which a service writes its log.
 *
 * @param file the file, which need not be there yet
 */
public record ServiceLog(Path file) {

  /**
   * How far it is written now.
   *
   * @return the end of the file; its beginning if it is not there
   */
  public Place end() {
    try {
      BasicFileAttributes now = Files.readAttributes(file, BasicFileAttributes.class);
      return new Place(now.fileKey(), now.size());
    } catch (IOException e) {
      return new Place(null, 0);
    }
  }

  /**
   * A place in it.
   *
   * @param key what tells this file from another of the same name, where the system has such a thing
   * @param offset how many bytes come before
   */
  public record Place(@Nullable Object key, long offset) {}

  /**
   * What was written while a call was under way.
   *
   * @param file the file
   * @param from the end of the file when the call was sent
   * @param to its end when the reply had come, or what went wrong had gone wrong
   * @param names what a line has in it that belongs to the call: its trace, or its case
   */
  public record Span(Path file, Place from, Place to, List<String> names) {}
}
