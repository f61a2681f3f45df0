package org.oddlantern.internal.plan;

import java.lang.reflect.Field;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.lang.reflect.Parameter;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** What Kotlin's compiler makes of a suite, where its class files show more or something else than its source. */
final class KotlinCode {

  private static final String METADATA = "kotlin.Metadata";
  private static final String CONTINUATION = "kotlin.coroutines.Continuation";

  /** How the compiler names a method that takes or returns a value class. */
  private static final Pattern MANGLED = Pattern.compile(".+-[\\w-]{7}(\\$.*)?");

  private KotlinCode() {}

  /** Whether a method of a companion object stands, as {@code @JvmStatic}, in the class around it as well. */
  static boolean standsOutside(Method method) {
    Class<?> companion = method.getDeclaringClass();
    return isCompanion(companion)
        && Stream.of(companion.getEnclosingClass().getDeclaredMethods())
            .anyMatch(outer -> Modifier.isStatic(outer.getModifiers())
                && outer.getName().equals(method.getName())
                && Arrays.equals(outer.getParameterTypes(), method.getParameterTypes()));
  }

  /** What is wrong with a method in Kotlin's words; empty for Java, and where nothing is. */
  static List<String> problems(Method method) {
    if (!isKotlin(method.getDeclaringClass())) {
      return List.of();
    }
    if (isCompanion(method.getDeclaringClass())) {
      return List.of(
          "it is in a companion object without @JvmStatic, so the class around it does not have it; mark it with @JvmStatic");
    }
    if (Stream.of(method.getParameters()).anyMatch(KotlinCode::isContinuation)) {
      return List.of(
          "it is a suspend function, which only a coroutine can call; make it a plain function with runBlocking { ... } inside");
    }
    return MANGLED.matcher(method.getName()).matches()
        ? List.of(
            "it takes or returns a value class (@JvmInline), of which only the value inside is there at run time; make it a data class")
        : List.of();
  }

  /** What a suspend function takes, which its source does not show. */
  static boolean isContinuation(Parameter parameter) {
    return parameter.getType().getName().equals(CONTINUATION);
  }

  /** The properties of a data class in their order, each with its getter; none for any other class. */
  static Map<String, Method> properties(Class<?> type) {
    Map<String, Method> properties = new LinkedHashMap<>();
    if (isKotlin(type) && hasMethod(type, "component1")) {
      for (Field field : type.getDeclaredFields()) {
        String name = field.getName();
        String getter = name.matches("is[^a-z].*")
            ? name
            : "get" + name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
        Stream.of(type.getDeclaredMethods())
            .filter(method -> method.getName().equals(getter) && method.getParameterCount() == 0)
            .findFirst()
            .ifPresent(method -> properties.put(name, method));
      }
    }
    return properties;
  }

  private static boolean hasMethod(Class<?> type, String name) {
    return Stream.of(type.getDeclaredMethods())
        .anyMatch(method -> method.getName().equals(name));
  }

  private static boolean isCompanion(Class<?> type) {
    Class<?> outer = type.getEnclosingClass();
    return outer != null
        && isKotlin(type)
        && Stream.of(outer.getDeclaredFields()).anyMatch(field -> holds(field, type));
  }

  private static boolean holds(Field field, Class<?> companion) {
    return Modifier.isStatic(field.getModifiers()) && field.getType() == companion;
  }

  private static boolean isKotlin(Class<?> type) {
    return Stream.of(type.getDeclaredAnnotations())
        .anyMatch(mark -> mark.annotationType().getName().equals(METADATA));
  }
}
