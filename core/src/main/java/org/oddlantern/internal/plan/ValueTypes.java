package org.oddlantern.internal.plan;

import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.net.URL;
import java.security.CodeSource;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.Environment;
import org.oddlantern.json.internal.Words;
import org.oddlantern.payload.Fresh;
import org.oddlantern.schema.Recipe;

/** Which types may flow between cases: the user's own, and generic types all of whose arguments are. */
final class ValueTypes {

  private static final Set<Type> BUILT_IN = Set.of(Environment.class, Fresh.class);

  private ValueTypes() {}

  static boolean isBuiltIn(Type type) {
    return BUILT_IN.contains(type);
  }

  /** Whether a return type hands nothing on, without being a problem. */
  static boolean handsNothingOn(Type type) {
    return type == void.class
        || type == Void.class
        || type instanceof Class<?> c
            && (isLibrary(c) && !isOwn(c) || c.getName().equals("kotlin.Unit"));
  }

  /** Why a type cannot flow; empty if it can. */
  static Optional<String> problem(Type type) {
    if (isOwn(type)) {
      return Optional.empty();
    }
    return Optional.of(
        "%s, which cannot be handed from case to case, since it says nothing about what it is: make a record of it, like  record %s(%s value) {}"
            .formatted(Words.of(type), "HiveId", Words.of(type).replaceAll("<.*", "")));
  }

  /** The class from whose neighbourhood a value of that type may come: for a list of X it is X. */
  static Class<?> home(Type type) {
    if (type instanceof ParameterizedType generic) {
      Class<?> raw = (Class<?>) generic.getRawType();
      return isOwn(raw) ? raw : home(generic.getActualTypeArguments()[0]);
    }
    return type instanceof Class<?> c ? c : Object.class;
  }

  private static boolean isOwn(Type type) {
    if (type instanceof ParameterizedType generic) {
      return Arrays.stream(generic.getActualTypeArguments()).allMatch(ValueTypes::isOwn);
    }
    return type instanceof Class<?> c
        && !c.isPrimitive()
        && !c.isArray()
        && !isOfJdk(c)
        && (!isLibrary(c) || Recipe.class.isAssignableFrom(c)); // which says what it is
  }

  private static boolean isOfJdk(Class<?> type) {
    @Nullable ClassLoader loader = type.getClassLoader();
    return loader == null || loader == ClassLoader.getPlatformClassLoader();
  }

  /** Whether a type comes from where this library comes from. */
  private static boolean isLibrary(Class<?> type) {
    return type.getPackageName().startsWith("org.oddlantern.")
        && String.valueOf(source(type)).equals(String.valueOf(source(ValueTypes.class)));
  }

  private static @Nullable URL source(Class<?> type) {
    CodeSource source = type.getProtectionDomain().getCodeSource();
    return source == null ? null : source.getLocation();
  }
}
