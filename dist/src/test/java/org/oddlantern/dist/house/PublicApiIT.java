package org.oddlantern.dist.house;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.lang.reflect.Constructor;
import java.lang.reflect.Executable;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.lang.reflect.TypeVariable;
import java.lang.reflect.WildcardType;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * What users can name and call. The list is docs/api.txt: every change of it is seen in the diff, and
 * made on purpose with {@code mvn verify -Dapi=write}.
 */
class PublicApiIT {

  private static final Path LIST = Path.of("../docs/api.txt");

  @Test
  void everyPublicTypeAndMethodStandsInTheList() throws Exception {
    StringBuilder list = new StringBuilder();
    for (Class<?> type : types()) {
      list.append(told(type)).append('\n');
      members(type).forEach(member -> list.append("    ").append(member).append('\n'));
    }
    if (System.getProperty("api", "").equals("write")) {
      Files.writeString(LIST, list);
    }
    assertEquals(
        Files.readString(LIST),
        list.toString(),
        "the public types changed; if that is meant, run mvn verify -Dapi=write");
  }

  @Test
  void noTypeOfAUserShowsWhatIsInternal() throws Exception {
    Set<String> wrong = new TreeSet<>();
    for (Class<?> type : types()) {
      Stream.concat(Stream.of(type.getGenericInterfaces()), Stream.of(type.getGenericSuperclass()))
          .filter(Objects::nonNull)
          .filter(PublicApiIT::isInternal)
          .forEach(one -> wrong.add(type.getName() + " is a " + one));
      for (Executable one : executables(type)) {
        Stream<Type> shown = Stream.of(
                one.getGenericParameterTypes(),
                one.getGenericExceptionTypes(),
                one instanceof Method method
                    ? new Type[] {method.getGenericReturnType()}
                    : new Type[0])
            .flatMap(Arrays::stream);
        shown
            .filter(PublicApiIT::isInternal)
            .forEach(inner -> wrong.add(type.getName() + "." + one.getName() + " shows " + inner));
      }
    }
    assertEquals("", String.join("\n", wrong));
  }

  private static boolean isInternal(Type type) {
    if (type instanceof Class<?> plain) {
      Class<?> base = plain.isArray() ? plain.getComponentType() : plain;
      return base.getName().startsWith("org.oddlantern.") && !isOfUsers(base);
    }
    if (type instanceof ParameterizedType generic) {
      return isInternal(generic.getRawType())
          || Stream.of(generic.getActualTypeArguments()).anyMatch(PublicApiIT::isInternal);
    }
    if (type instanceof WildcardType wildcard) {
      return Stream.of(wildcard.getUpperBounds()).anyMatch(PublicApiIT::isInternal);
    }
    return type instanceof TypeVariable<?> variable
        && Stream.of(variable.getBounds())
            .anyMatch(bound -> bound instanceof Class<?> && isInternal(bound));
  }

  private static boolean isOfUsers(Class<?> type) {
    String room = type.getPackageName();
    return !room.contains(".internal") && !room.contains(".shaded") && isVisible(type);
  }

  private static boolean isVisible(Class<?> type) {
    return Modifier.isPublic(type.getModifiers())
        && (type.getEnclosingClass() == null || isVisible(type.getEnclosingClass()));
  }

  private static List<Class<?>> types() throws Exception {
    List<Class<?>> types = new ArrayList<>();
    for (String module : List.of("core", "reports", "junit")) {
      Path classes = Path.of("..", module, "target/classes");
      try (Stream<Path> files = Files.walk(classes.resolve("org/oddlantern"))) {
        for (Path file :
            files.filter(path -> path.toString().endsWith(".class")).toList()) {
          String name =
              classes.relativize(file).toString().replace(".class", "").replace('/', '.');
          if (!name.endsWith("package-info") && !name.contains(".internal.")) {
            types.add(Class.forName(name, false, PublicApiIT.class.getClassLoader()));
          }
        }
      }
    }
    return types.stream()
        .filter(PublicApiIT::isOfUsers)
        .sorted(Comparator.comparing(Class::getName))
        .toList();
  }

  private static List<Executable> executables(Class<?> type) {
    List<Executable> all = new ArrayList<>();
    for (Constructor<?> one : type.getDeclaredConstructors()) {
      all.add(one);
    }
    for (Method one : type.getDeclaredMethods()) {
      if (!one.isBridge() && !one.isSynthetic()) {
        all.add(one);
      }
    }
    return all.stream()
        .filter(one ->
            Modifier.isPublic(one.getModifiers()) || Modifier.isProtected(one.getModifiers()))
        .toList();
  }

  private static List<String> members(Class<?> type) {
    return executables(type).stream().map(PublicApiIT::told).sorted().toList();
  }

  private static String told(Class<?> type) {
    String kind = type.isAnnotation()
        ? "annotation"
        : type.isRecord()
            ? "record"
            : type.isEnum() ? "enum" : type.isInterface() ? "interface" : "class";
    return kind + " " + type.getName().substring("org.oddlantern.".length()).replace('$', '.');
  }

  private static String told(Executable one) {
    String parameters = Stream.of(one.getGenericParameterTypes())
        .map(type ->
            type.getTypeName().replaceAll("[\\w.]*\\.(?=[A-Z])", "").replaceAll("\\w+\\$", ""))
        .reduce((a, b) -> a + ", " + b)
        .orElse("");
    String name = one instanceof Constructor<?> ? "new" : one.getName();
    String gives = one instanceof Method method
        ? " -> "
            + method
                .getGenericReturnType()
                .getTypeName()
                .replaceAll("[\\w.]*\\.(?=[A-Z])", "")
                .replaceAll("\\w+\\$", "")
        : "";
    String how = Modifier.isStatic(one.getModifiers()) ? "static " : "";
    return how + name + "(" + parameters + ")" + gives;
  }
}
