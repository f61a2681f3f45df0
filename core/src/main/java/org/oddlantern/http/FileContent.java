package org.oddlantern.http;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.oddlantern.internal.Needed;

/** A file, read while it is sent. */
record FileContent(Path file, long length) implements Content {

  static FileContent of(Path file) {
    Needed.of(file, "the file to send");
    try {
      if (!Files.isRegularFile(file)) {
        throw new IllegalArgumentException("there is no file " + file + " to send");
      }
      return new FileContent(file, Files.size(file));
    } catch (IOException e) {
      throw new IllegalArgumentException("the file " + file + " cannot be read: " + e, e);
    }
  }

  @Override
  public InputStream open() throws IOException {
    return Files.newInputStream(file);
  }

  @Override
  public boolean isStreamed() {
    return true;
  }
}
