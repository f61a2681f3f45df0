package org.oddlantern.cli;

import java.io.File;
import java.net.MalformedURLException;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.plan.Place;
import org.oddlantern.plan.Planner;

/**
 * The places in which suites are looked for, with the class path they need.
 *
 * @param places class folders and jars
 * @param loader loads what is in them
 */
record Suites(List<Place> places, ClassLoader loader) {

  /** The places, the main classes beside a Maven project's test classes, and what else is named. */
  static Suites in(List<Path> places, @Nullable String classPath) {
    if (places.isEmpty()) {
      throw new Misuse(
          "say where the suites are: a class folder or a jar, for instance target/test-classes");
    }
    Set<Path> paths = new LinkedHashSet<>();
    for (Path place : places) {
      if (!Files.exists(place)) {
        throw new Misuse(
            "there is no " + place
                + "; name a class folder or a jar (in a Maven project target/test-classes, after 'mvn test-compile')");
      }
      if (!Files.isDirectory(place) && !place.toString().endsWith(".jar")) {
        throw new Misuse(place + " is neither a class folder nor a jar");
      }
      paths.add(place);
    }
    places.stream()
        .map(place -> place.toAbsolutePath().resolveSibling("classes"))
        .filter(Files::isDirectory)
        .forEach(paths::add);
    if (classPath != null) {
      List.of(classPath.split(File.pathSeparator)).stream()
          .filter(entry -> !entry.isBlank())
          .forEach(entry -> paths.add(Path.of(entry)));
    }
    return new Suites(
        places.stream().map(Place::new).toList(),
        loader(new ArrayList<>(paths), Suites.class.getClassLoader()));
  }

  /** A planner; samples may lie in files in the folder of the settings, if there is one. */
  Planner planner(@Nullable Path folder) {
    return new Planner(loader, places, folder);
  }

  static ClassLoader loader(List<Path> paths, ClassLoader parent) {
    return new URLClassLoader(
        "suites", paths.stream().map(Suites::url).toArray(URL[]::new), parent);
  }

  private static URL url(Path path) {
    try {
      return path.toUri().toURL();
    } catch (MalformedURLException e) {
      throw new Misuse(path + " cannot stand on a class path: " + e.getMessage());
    }
  }
}
