package org.oddlantern.internal.junit;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.Method;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.CodeSource;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.platform.engine.EngineDiscoveryRequest;
import org.junit.platform.engine.Filter;
import org.junit.platform.engine.UniqueId;
import org.junit.platform.engine.discovery.ClassNameFilter;
import org.junit.platform.engine.discovery.ClassSelector;
import org.junit.platform.engine.discovery.ClasspathRootSelector;
import org.junit.platform.engine.discovery.MethodSelector;
import org.junit.platform.engine.discovery.NestedClassSelector;
import org.junit.platform.engine.discovery.NestedMethodSelector;
import org.junit.platform.engine.discovery.PackageNameFilter;
import org.junit.platform.engine.discovery.PackageSelector;
import org.junit.platform.engine.discovery.UniqueIdSelector;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.suite.Case;

/**
 * What a discovery request asks for, in the words of a selection.
 *
 * @param loader loads the suites
 * @param places where those that were asked for lie, and those that may make what they take
 * @param entries classes, {@code Class#method}s, {@code Class#method[sample]}s
 */
record Wanted(ClassLoader loader, Set<Path> places, List<String> entries) {

  boolean isEmpty() {
    return entries.isEmpty() || places.isEmpty();
  }

  Selection selection() {
    return new Selection(entries);
  }

  static Wanted of(EngineDiscoveryRequest request) {
    ClassLoader context = Thread.currentThread().getContextClassLoader();
    ClassLoader loader = context == null ? Wanted.class.getClassLoader() : context;
    return new Gathering(
            loader,
            Filter.composeFilters(request.getFiltersByType(ClassNameFilter.class)),
            Filter.composeFilters(request.getFiltersByType(PackageNameFilter.class)))
        .gathered(request);
  }

  /** Goes through the selectors of a request. */
  private static final class Gathering {
    private final ClassLoader loader;
    private final Filter<String> classes;
    private final Filter<String> packages;
    private final Set<Path> places = new LinkedHashSet<>();
    private final Set<String> entries = new LinkedHashSet<>();

    Gathering(ClassLoader loader, Filter<String> classes, Filter<String> packages) {
      this.loader = loader;
      this.classes = classes;
      this.packages = packages;
    }

    Wanted gathered(EngineDiscoveryRequest request) {
      request.getSelectorsByType(ClassSelector.class).forEach(one -> add(one.getJavaClass()));
      request
          .getSelectorsByType(NestedClassSelector.class)
          .forEach(one -> add(one.getNestedClass()));
      request
          .getSelectorsByType(MethodSelector.class)
          .forEach(one -> add(one.getJavaClass(), one.getMethodName()));
      request
          .getSelectorsByType(NestedMethodSelector.class)
          .forEach(one -> add(one.getNestedClass(), one.getMethodName()));
      request.getSelectorsByType(UniqueIdSelector.class).forEach(one -> add(one.getUniqueId()));
      request
          .getSelectorsByType(ClasspathRootSelector.class)
          .forEach(one -> addAll(Path.of(one.getClasspathRoot()), ""));
      request
          .getSelectorsByType(PackageSelector.class)
          .forEach(one -> roots().forEach(root -> addAll(root, one.getPackageName())));
      return new Wanted(loader, places, List.copyOf(entries));
    }

    private void add(Class<?> type) {
      Path place = place(type);
      if (place != null && isIncluded(type.getName()) && hasCases(type)) {
        places.add(place);
        entries.add(type.getName());
      }
    }

    private void add(Class<?> type, String method) {
      Path place = place(type);
      if (place != null && hasCases(type)) {
        places.add(place);
        entries.add(type.getName() + "#" + method);
      }
    }

    private void add(UniqueId id) {
      if (!id.getEngineId().filter(SuiteEngine.ID::equals).isPresent()) {
        return;
      }
      String suite = "";
      String rest = "";
      for (UniqueId.Segment segment : id.getSegments()) {
        String value = segment.getValue();
        switch (segment.getType()) {
          case Node.SUITE -> suite = value;
          case Node.SECTION -> suite += "$" + value;
          case Node.CASE -> rest = "#" + value;
          case Node.SAMPLE -> rest += "[" + value + "]";
          default -> {}
        }
      }
      Class<?> type = loaded(suite);
      Path place = type == null ? null : place(type);
      if (place != null) {
        places.add(place);
        entries.add(suite + rest);
      }
    }

    private void addAll(Path root, String inPackage) {
      if (!Files.isDirectory(root)) {
        return;
      }
      try (Stream<Path> files = Files.walk(root)) {
        files
            .map(file -> root.relativize(file).toString().replace('\\', '/'))
            .filter(name -> name.endsWith(".class") && !name.contains("-info.class"))
            .map(name -> name.substring(0, name.length() - ".class".length()).replace('/', '.'))
            .filter(name -> inPackage.isEmpty() || name.startsWith(inPackage + "."))
            .filter(name -> !name.contains("$") && isIncluded(name))
            .sorted()
            .map(this::loaded)
            .forEach(type -> {
              if (type != null) {
                add(type);
              }
            });
      } catch (IOException e) {
        throw new UncheckedIOException(root + " cannot be read: " + e.getMessage(), e);
      }
    }

    private static Stream<Path> roots() {
      return Stream.of(System.getProperty("java.class.path", "").split(File.pathSeparator))
          .filter(entry -> !entry.isBlank())
          .map(Path::of);
    }

    private boolean isIncluded(String name) {
      int dot = name.lastIndexOf('.');
      return classes.apply(name).included()
          && packages.apply(dot < 0 ? "" : name.substring(0, dot)).included();
    }

    private @Nullable Class<?> loaded(String name) {
      try {
        return Class.forName(name, false, loader);
      } catch (ClassNotFoundException | LinkageError e) {
        return null;
      }
    }

    /** Whether it is worth planning: classes of other engines are the many. */
    private static boolean hasCases(Class<?> type) {
      try {
        for (Class<?> each = type; each != null && each != Object.class; ) {
          for (Method method : each.getDeclaredMethods()) {
            if (method.isAnnotationPresent(Case.class)) {
              return true;
            }
          }
          each = each.getSuperclass();
        }
        for (Class<?> section : type.getDeclaredClasses()) {
          if (hasCases(section)) {
            return true;
          }
        }
        return false;
      } catch (LinkageError e) {
        return false;
      }
    }

    private static @Nullable Path place(Class<?> type) {
      CodeSource source = type.getProtectionDomain().getCodeSource();
      if (source == null || source.getLocation() == null) {
        return null;
      }
      try {
        return Path.of(source.getLocation().toURI());
      } catch (URISyntaxException | IllegalArgumentException e) {
        return null;
      }
    }
  }
}
