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
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Planner;

/**
 * The places in which suites are looked for, with the class path they need.
 *
 * @param places class folders and jars
 * @param classPath what is loaded: the places, and what stands beside them or is named
 */
record SuitePlaces(List<Path> places, List<Path> classPath) {

  /**
   * The places, the main classes beside a Maven project's test classes, and what is named; else what the
   * build says. Without a place those of the build in the working directory are taken.
   */
  static SuitePlaces in(List<Path> named, @Nullable String classPath) {
    List<Path> places = named.isEmpty() ? List.of(ofBuild()) : named;
    Set<Path> paths = new LinkedHashSet<>();
    List<Path> ofMaven = new ArrayList<>();
    for (Path place : places) {
      refuseBlank(place);
      Optional<MavenModule> module =
          classPath == null ? MavenModule.of(place) : Optional.<MavenModule>empty();
      module.ifPresent(one -> ofMaven.addAll(one.classPath()));
      paths.add(checked(place));
    }
    places.stream()
        .map(place -> place.toAbsolutePath().resolveSibling("classes"))
        .filter(Files::isDirectory)
        .forEach(paths::add);
    if (classPath != null) {
      List.of(classPath.split(File.pathSeparator)).stream()
          .filter(entry -> !entry.isBlank())
          .forEach(entry -> paths.add(there(Path.of(entry))));
    }
    paths.addAll(ofMaven);
    return new SuitePlaces(places, List.copyOf(paths));
  }

  private static Path ofBuild() {
    if (Files.isRegularFile(Path.of("pom.xml"))) {
      return Path.of("target", "test-classes");
    }
    if (Files.isRegularFile(Path.of("build.gradle"))
        || Files.isRegularFile(Path.of("build.gradle.kts"))) {
      return Path.of("build", "classes", "java", "test");
    }
    throw new Misuse("say where the suites are: a class folder or a jar, for instance"
        + " target/test-classes (not needed where there is a pom.xml)");
  }

  private static Path there(Path entry) {
    if (!Files.exists(entry)) {
      throw new Misuse("--class-path names " + entry + ", which is not there");
    }
    return entry;
  }

  /** Told before anything is asked of Maven. */
  private static void refuseBlank(Path place) {
    if (place.toString().isBlank()) {
      throw new Misuse("the name of a class folder or a jar is wanted, and got nothing");
    }
  }

  private static Path checked(Path place) {
    if (!Files.exists(place)) {
      throw new Misuse(
          "there is no " + place
              + "; name a class folder or a jar (in a Maven project target/test-classes, after 'mvn test-compile')");
    }
    if (!Files.isDirectory(place) && !place.toString().endsWith(".jar")) {
      throw new Misuse(place + " is neither a class folder nor a jar");
    }
    return place;
  }

  /** Loads what is there now. */
  URLClassLoader loader() {
    return loader(classPath, SuitePlaces.class.getClassLoader());
  }

  /** A planner; samples may lie in files in the folder of the settings, if there is one. */
  Planner planner(ClassLoader loader, @Nullable Path folder) {
    return new Planner(loader, places.stream().map(Place::new).toList(), folder);
  }

  /** The folders among them, which a compiler may change. */
  List<Path> folders() {
    return classPath.stream().filter(Files::isDirectory).toList();
  }

  static URLClassLoader loader(List<Path> paths, ClassLoader parent) {
    return new URLClassLoader(
        "suites", paths.stream().map(SuitePlaces::url).toArray(URL[]::new), parent);
  }

  private static URL url(Path path) {
    try {
      return path.toUri().toURL();
    } catch (MalformedURLException e) {
      throw new Misuse(path + " cannot be on a class path: " + e.getMessage());
    }
  }
}
