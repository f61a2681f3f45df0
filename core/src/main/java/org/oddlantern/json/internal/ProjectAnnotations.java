package org.oddlantern.json.internal;

import java.lang.annotation.Annotation;
import java.lang.reflect.Array;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Proxy;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.com.fasterxml.jackson.annotation.JacksonAnnotationsInside;
import org.oddlantern.shaded.com.fasterxml.jackson.annotation.JsonAlias;
import org.oddlantern.shaded.com.fasterxml.jackson.annotation.JsonProperty;
import org.oddlantern.shaded.com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.oddlantern.shaded.tools.jackson.databind.JavaType;
import org.oddlantern.shaded.tools.jackson.databind.cfg.MapperConfig;
import org.oddlantern.shaded.tools.jackson.databind.introspect.Annotated;
import org.oddlantern.shaded.tools.jackson.databind.introspect.AnnotatedClass;
import org.oddlantern.shaded.tools.jackson.databind.introspect.AnnotatedField;
import org.oddlantern.shaded.tools.jackson.databind.introspect.JacksonAnnotationIntrospector;

/**
 * Honours the Jackson annotations of the project under test, in whatever version it has them, Jackson 2's
 * or 3's. The mapper inside has types of other names; so each annotation of the project has a twin: the
 * same annotation of our own type, its members converted, and our default where the project's version
 * does not have the member yet.
 */
final class ProjectAnnotations extends JacksonAnnotationIntrospector {

  private static final long serialVersionUID = 1L;

  private static final String JACKSON_2 = "com.fasterxml.jackson.";
  private static final String JACKSON_3 = "tools.jackson.";
  private static final String ANNOTATIONS = JACKSON_2 + "annotation.";
  private static final String DATABIND_2 = JACKSON_2 + "databind.";

  private static final String OURS = "org.oddlantern.shaded.";
  private static final String OUR_DATABIND = OURS + JACKSON_3 + "databind.";

  /** Our type for a type of the project's Jackson; empty where there is none, or it is no such type. */
  private static final ClassValue<Optional<Class<?>>> TWINS = new ClassValue<>() {
    @Override
    protected Optional<Class<?>> computeValue(Class<?> type) {
      String name = ours(type.getName());
      try {
        return name == null
            ? Optional.empty()
            : Optional.of(Class.forName(name, false, ProjectAnnotations.class.getClassLoader()));
      } catch (ClassNotFoundException e) {
        return Optional.empty();
      }
    }
  };

  private final transient Map<Annotation, Annotation> twins = new ConcurrentHashMap<>();

  @Override
  protected <A extends Annotation> @Nullable A _findAnnotation(Annotated annotated, Class<A> type) {
    A own = super._findAnnotation(annotated, type);
    if (own != null) {
      return own;
    }
    Optional<Annotation> foreign =
        annotated.annotations().filter(a -> twinOf(a.annotationType()) == type).findFirst();
    return foreign.isEmpty() ? null : type.cast(twin(foreign.get(), type));
  }

  @Override
  protected boolean _hasAnnotation(Annotated annotated, Class<? extends Annotation> type) {
    return super._hasAnnotation(annotated, type)
        || annotated.annotations().anyMatch(a -> twinOf(a.annotationType()) == type);
  }

  @Override
  protected boolean _hasOneOf(Annotated annotated, Class<? extends Annotation>[] types) {
    for (Class<? extends Annotation> type : types) {
      if (_hasAnnotation(annotated, type)) {
        return true;
      }
    }
    return false;
  }

  @Override
  public boolean isAnnotationBundle(Annotation annotation) {
    return super.isAnnotationBundle(annotation)
        || on(annotation.annotationType(), JacksonAnnotationsInside.class);
  }

  // These three read annotations past _findAnnotation.

  @Override
  public String[] findEnumValues(
      MapperConfig<?> config, AnnotatedClass type, Enum<?>[] constants, String[] names) {
    for (int i = 0; i < constants.length; i++) {
      JsonProperty property = onConstant(type, constants[i], JsonProperty.class);
      if (property != null) {
        names[i] = property.value();
      }
    }
    return names;
  }

  @Override
  public void findEnumAliases(
      MapperConfig<?> config, AnnotatedClass type, Enum<?>[] constants, String[][] aliases) {
    for (int i = 0; i < constants.length; i++) {
      JsonAlias alias = onConstant(type, constants[i], JsonAlias.class);
      aliases[i] = alias == null ? new String[0] : alias.value();
    }
  }

  @Override
  public @Nullable JavaType findPolymorphicBaseType(
      MapperConfig<?> config, AnnotatedClass type, JsonTypeInfo.Value info, JavaType assumed) {
    for (JavaType above : type.getSuperTypes()) {
      if (on(above.getRawClass(), JsonTypeInfo.class)) {
        return above;
      }
    }
    return null;
  }

  private <A extends Annotation> @Nullable A onConstant(
      AnnotatedClass type, Enum<?> constant, Class<A> wanted) {
    for (AnnotatedField field : type.fields()) {
      if (field.getName().equals(constant.name())) {
        return _findAnnotation(field, wanted);
      }
    }
    return null;
  }

  private static boolean on(Class<?> type, Class<? extends Annotation> wanted) {
    for (Annotation annotation : type.getAnnotations()) {
      if (annotation.annotationType() == wanted || twinOf(annotation.annotationType()) == wanted) {
        return true;
      }
    }
    return false;
  }

  private static @Nullable String ours(String name) {
    if (name.startsWith(ANNOTATIONS)) {
      return OURS + name;
    }
    if (name.startsWith(DATABIND_2)) {
      // two of them changed their names from Jackson 2 to 3
      return OUR_DATABIND
          + name.substring(DATABIND_2.length())
              .replaceFirst("^JsonSerializer", "ValueSerializer")
              .replaceFirst("^JsonDeserializer", "ValueDeserializer");
    }
    return name.startsWith(JACKSON_3) ? OURS + name : null;
  }

  private static @Nullable Class<?> twinOf(Class<?> type) {
    return TWINS.get(type).orElse(null);
  }

  private Annotation twin(Annotation foreign, Class<? extends Annotation> type) {
    return twins.computeIfAbsent(foreign, a -> made(a, type));
  }

  private static Annotation made(Annotation foreign, Class<? extends Annotation> type) {
    Map<String, @Nullable Object> members = new HashMap<>();
    for (Method ours : type.getDeclaredMethods()) {
      members.put(ours.getName(), member(foreign, ours));
    }
    return (Annotation) Proxy.newProxyInstance(
        type.getClassLoader(),
        new Class<?>[] {type},
        (self, called, arguments) -> switch (called.getName()) {
          case "annotationType" -> type;
          case "toString" -> foreign.toString();
          case "hashCode" -> foreign.hashCode();
          case "equals" -> self == arguments[0];
          default -> members.get(called.getName());
        });
  }

  private static @Nullable Object member(Annotation foreign, Method ours) {
    try {
      return converted(
          foreign.annotationType().getMethod(ours.getName()).invoke(foreign),
          ours.getReturnType(),
          foreign);
    } catch (NoSuchMethodException e) {
      return ours.getDefaultValue(); // newer than the project's version
    } catch (IllegalAccessException | InvocationTargetException e) {
      throw new IllegalArgumentException(foreign + " cannot be read: " + e.getMessage(), e);
    }
  }

  private static Object converted(Object value, Class<?> wanted, Annotation from) {
    if (wanted.isArray()) {
      int length = Array.getLength(value);
      Object all = Array.newInstance(wanted.getComponentType(), length);
      for (int i = 0; i < length; i++) {
        Array.set(all, i, converted(Array.get(value, i), wanted.getComponentType(), from));
      }
      return all;
    }
    if (value instanceof Enum<?> constant && !wanted.isInstance(value)) {
      for (Object ours : wanted.getEnumConstants()) {
        if (((Enum<?>) ours).name().equals(constant.name())) {
          return ours;
        }
      }
      throw new IllegalArgumentException(
          from + " says " + constant.name() + ", which this version of Odd Lantern does not know");
    }
    if (value instanceof Annotation nested && !wanted.isInstance(value)) {
      return made(nested, wanted.asSubclass(Annotation.class));
    }
    return value instanceof Class<?> type ? twinClass(type, from) : value;
  }

  private static Class<?> twinClass(Class<?> type, Annotation from) {
    Class<?> twin = twinOf(type);
    if (twin != null) {
      return twin;
    }
    for (Class<?> above = type; above != null; above = above.getSuperclass()) {
      if (isJackson(above) || anyJackson(above.getInterfaces())) {
        throw new IllegalArgumentException(
            from + " names " + type.getName()
                + ", which works with the project's own Jackson only; give the service the project's mapper");
      }
    }
    return type;
  }

  private static boolean anyJackson(Class<?>[] types) {
    for (Class<?> type : types) {
      if (isJackson(type)) {
        return true;
      }
    }
    return false;
  }

  private static boolean isJackson(Class<?> type) {
    return type.getName().startsWith(JACKSON_2) || type.getName().startsWith(JACKSON_3);
  }
}
