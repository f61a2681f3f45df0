package org.oddlantern.internal.plan;

import java.lang.reflect.Method;
import java.lang.reflect.Parameter;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.lang.reflect.TypeVariable;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The types that an inherited member has in a concrete suite: {@code T} of {@code class Base<T>} is {@code
 * Hive} in {@code class HiveTest extends Base<Hive>}. Immutable.
 */
public final class SuiteTypes {

  private final Map<TypeVariable<?>, Type> known = new HashMap<>();

  private SuiteTypes(Class<?> suite) {
    for (Class<?> type = suite; type != null; type = type.getEnclosingClass()) {
      collect(type);
    }
  }

  /**
   * The types in a suite.
   *
   * @param suite a concrete class
   * @return its types
   */
  public static SuiteTypes of(Class<?> suite) {
    return new SuiteTypes(suite);
  }

  /**
   * What a parameter takes there.
   *
   * @param parameter a parameter of the suite, or of what it inherits
   * @return its type; a type variable only if nobody says what it stands for
   */
  public Type of(Parameter parameter) {
    return resolved(parameter.getParameterizedType());
  }

  /** What a method returns there. */
  Type returned(Method method) {
    return resolved(method.getGenericReturnType());
  }

  private void collect(Class<?> type) {
    for (Type base : type.getGenericInterfaces()) {
      collect(base);
    }
    if (type.getGenericSuperclass() != null) {
      collect(type.getGenericSuperclass());
    }
  }

  private void collect(Type base) {
    if (base instanceof ParameterizedType generic) {
      Class<?> raw = (Class<?>) generic.getRawType();
      for (int i = 0; i < raw.getTypeParameters().length; i++) {
        known.put(raw.getTypeParameters()[i], resolved(generic.getActualTypeArguments()[i]));
      }
      collect(raw);
    } else {
      collect((Class<?>) base);
    }
  }

  private Type resolved(Type type) {
    if (type instanceof TypeVariable<?> variable) {
      return known.getOrDefault(variable, variable);
    }
    if (!(type instanceof ParameterizedType generic)) {
      return type;
    }
    List<Type> arguments =
        Arrays.stream(generic.getActualTypeArguments()).map(this::resolved).toList();
    return arguments.equals(List.of(generic.getActualTypeArguments()))
        ? type
        : new Generic(generic, arguments);
  }

  /** Equal to what the JDK makes of the same type written out. */
  private record Generic(ParameterizedType original, List<Type> arguments)
      implements ParameterizedType {

    @Override
    public Type[] getActualTypeArguments() {
      return arguments.toArray(new Type[0]);
    }

    @Override
    public Type getRawType() {
      return original.getRawType();
    }

    @Override
    public @Nullable Type getOwnerType() {
      return original.getOwnerType();
    }

    @Override
    public boolean equals(@Nullable Object other) {
      return other instanceof ParameterizedType that
          && getRawType().equals(that.getRawType())
          && Objects.equals(getOwnerType(), that.getOwnerType())
          && arguments.equals(List.of(that.getActualTypeArguments()));
    }

    @Override
    public int hashCode() {
      return Arrays.hashCode(getActualTypeArguments())
          ^ Objects.hashCode(getOwnerType())
          ^ Objects.hashCode(getRawType());
    }

    @Override
    public String toString() {
      return getRawType().getTypeName()
          + arguments.stream().map(Type::getTypeName).collect(Collectors.joining(", ", "<", ">"));
    }
  }
}
