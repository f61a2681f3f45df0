package org.oddlantern.config.internal;

import java.nio.file.Path;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Where the settings find what they only name.
 *
 * @param variables environment variables by name
 * @param folder the folder of the settings file, or null if it has none
 */
public record SettingsSources(
    Map<String, String> variables, @Nullable Path folder) {

  /** A file that need not be there, named from the folder of the settings. */
  Path beside(String name) {
    return folder == null ? Path.of(name) : folder.resolve(name);
  }
}
