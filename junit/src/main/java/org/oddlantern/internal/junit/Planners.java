package org.oddlantern.internal.junit;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Planner;

/** Keeps a planner for each set of places, since a build asks about one class after the other. */
final class Planners {

  private final Map<Key, Planner> known = new LinkedHashMap<>();

  synchronized Planner of(Wanted wanted) {
    return known.computeIfAbsent(new Key(wanted.loader(), wanted.places()), Key::planner);
  }

  /**
   * Where suites are looked for.
   *
   * @param loader loads them
   * @param places class folders and jars
   */
  private record Key(ClassLoader loader, Set<Path> places) {

    Planner planner() {
      List<Place> all = places.stream().map(Place::new).toList();
      return new Planner(loader, all, folder(loader));
    }

    /** Wrong settings are told by the run. */
    private static @Nullable Path folder(ClassLoader loader) {
      try {
        return SettingsFile.find(Path.of(""), loader).folder();
      } catch (SettingsProblem e) {
        return null;
      }
    }
  }
}
