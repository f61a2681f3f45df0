package org.oddlantern.config.internal;

import java.io.IOException;
import java.io.InputStream;
import java.net.URL;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.SettingsProblem;

/** Finds the settings file: in a folder, upwards to the build's root, then on the class path. */
public final class SettingsFile {

  private SettingsFile() {}

  /**
   * The settings that hold for suites.
   *
   * @param start where to begin, usually the working directory
   * @param loader the class path of the suites
   * @return the settings; {@link Settings#NONE} if there is no file
   * @throws SettingsProblem if the file cannot be read or is wrong
   */
  public static Settings find(Path start, ClassLoader loader) {
    for (Path folder = start.toAbsolutePath().normalize(); folder != null; folder = above(folder)) {
      Path file = folder.resolve(Settings.FILE);
      if (Files.isRegularFile(file)) {
        return read(file);
      }
    }
    return onClassPath(loader);
  }

  /**
   * The settings on a class path.
   *
   * @param loader the class path
   * @return the settings; {@link Settings#NONE} if there is no file
   * @throws SettingsProblem if the file cannot be read or is wrong
   */
  public static Settings onClassPath(ClassLoader loader) {
    URL url = loader.getResource(Settings.FILE);
    if (url == null) {
      return Settings.NONE;
    }
    try (InputStream stream = url.openStream()) {
      return SettingsReader.read(
          utf8(stream.readAllBytes(), url), Settings.FILE + " on the class path", null);
    } catch (IOException e) {
      throw new SettingsProblem(url + " cannot be read: " + e.getMessage());
    }
  }

  private static Settings read(Path file) {
    try {
      return SettingsReader.read(
          utf8(Files.readAllBytes(file), file), file.toString(), file.getParent());
    } catch (IOException e) {
      throw new SettingsProblem(file + " cannot be read: " + e.getMessage());
    }
  }

  private static String utf8(byte[] bytes, Object place) {
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException e) {
      String before = new String(bytes, StandardCharsets.UTF_8);
      long line = before.substring(0, before.indexOf('\ufffd')).lines().count();
      throw new SettingsProblem(place + ", line " + Math.max(1, line)
          + ": this is not UTF-8; save the file in that encoding");
    }
  }

  /** The next folder upwards; null at the build's root. */
  private static @Nullable Path above(Path folder) {
    boolean root = Files.exists(folder.resolve(".git")) || Files.exists(folder.resolve(".mvn"));
    return root ? null : folder.getParent();
  }
}
