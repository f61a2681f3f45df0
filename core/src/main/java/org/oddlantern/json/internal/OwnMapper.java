package org.oddlantern.json.internal;

import java.lang.invoke.MethodType;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.util.Arrays;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.JsonCodec;

/**
 * Finds the codec of a project's own mapper by what it is: no class of the project's libraries is named
 * here, since they may be there in any version or not at all.
 */
final class OwnMapper {

  private static final String PACKAGE = OwnMapper.class.getPackageName();

  /** A class somewhere above the mapper's own, and who knows it. */
  private static final Map<String, String> KNOWN = Map.of(
      "com.fasterxml.jackson.databind.ObjectMapper", PACKAGE + ".jackson2.Jackson2Codec",
      "tools.jackson.databind.ObjectMapper", PACKAGE + ".jackson3.Jackson3Codec");

  /** Names of methods that write a text and read one, as JSON libraries call them. */
  private static final Map<String, String> PAIRS =
      Map.of("writeValueAsString", "readValue", "toJson", "fromJson");

  private OwnMapper() {}

  static JsonCodec codec(Object mapper) {
    if (mapper instanceof JsonCodec codec) {
      return codec;
    }
    for (Class<?> above = mapper.getClass(); above != null; above = above.getSuperclass()) {
      String knowing = KNOWN.get(above.getName());
      if (knowing != null) {
        return made(knowing, above.getClassLoader(), mapper);
      }
    }
    for (Map.Entry<String, String> names : PAIRS.entrySet()) {
      Method write = method(mapper.getClass(), names.getKey(), Object.class);
      Method read = method(mapper.getClass(), names.getValue(), String.class, Class.class);
      if (write != null && read != null) {
        return new Pair(mapper, write, read);
      }
    }
    throw new IllegalArgumentException("mapper(mapper): a " + mapper.getClass().getName()
        + " is no mapper that is known here; write an org.oddlantern.json.JsonCodec that calls it");
  }

  private static JsonCodec made(String codec, ClassLoader libraries, Object mapper) {
    try {
      return Class.forName(codec, true, CodecLoader.beside(libraries))
          .asSubclass(JsonCodec.class)
          .getConstructor(Object.class)
          .newInstance(mapper);
    } catch (InvocationTargetException e) {
      throw new IllegalArgumentException(
          "mapper(mapper): the " + mapper.getClass().getName() + " could not be used: "
              + e.getCause(),
          e);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("there is no " + codec + " beside this class", e);
    }
  }

  /** By the most general public class or interface, since the mapper's own class may not be public. */
  private static @Nullable Method method(Class<?> type, String name, Class<?>... parameters) {
    Method found = null;
    for (Class<?> above = type; above != null; above = above.getSuperclass()) {
      Method here = declared(above, name, parameters);
      found = here == null ? found : here;
      for (Class<?> face : above.getInterfaces()) {
        here = declared(face, name, parameters);
        found = here == null ? found : here;
      }
    }
    return found;
  }

  private static @Nullable Method declared(Class<?> type, String name, Class<?>... parameters) {
    if (!Modifier.isPublic(type.getModifiers())) {
      return null;
    }
    for (Method method : type.getMethods()) {
      if (method.getName().equals(name) && Arrays.equals(method.getParameterTypes(), parameters)) {
        return method;
      }
    }
    return null;
  }

  private record Pair(Object mapper, Method write, Method read) implements JsonCodec {

    @Override
    public String write(Object value) throws Exception {
      return String.valueOf(called(write, value));
    }

    @Override
    public <T> T read(String json, Class<T> type) throws Exception {
      @SuppressWarnings("unchecked")
      T value = (T) MethodType.methodType(type).wrap().returnType().cast(called(read, json, type));
      return value;
    }

    private Object called(Method method, Object... arguments) throws Exception {
      try {
        return method.invoke(mapper, arguments);
      } catch (InvocationTargetException e) {
        throw e.getCause() instanceof Exception cause ? cause : e;
      }
    }
  }
}
