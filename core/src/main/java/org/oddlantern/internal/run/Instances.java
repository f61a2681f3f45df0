package org.oddlantern.internal.run;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.lang.reflect.Parameter;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.SuiteTypes;

/** Makes a new instance of a suite, and of the suites around a section, and calls its method. */
final class Instances {

  private final Given given;
  private final Consumer<Object> made;

  Instances(Given given, Consumer<Object> made) {
    this.given = given;
    this.made = made;
  }

  @Nullable
  Object call(Class<?> suite, Method method) throws Exception {
    method.setAccessible(true);
    SuiteTypes types = SuiteTypes.of(suite);
    Object instance = Modifier.isStatic(method.getModifiers()) ? null : make(suite, types);
    List<Object> arguments = arguments(List.of(method.getParameters()), suite, types);
    try {
      return method.invoke(instance, arguments.toArray());
    } catch (InvocationTargetException e) {
      throw cause(e);
    }
  }

  private Object make(Class<?> type, SuiteTypes types) throws Exception {
    Constructor<?> constructor = constructor(type);
    constructor.setAccessible(true);
    List<Parameter> parameters = List.of(constructor.getParameters());
    List<Object> arguments = new ArrayList<>();
    if (type.isMemberClass() && !Modifier.isStatic(type.getModifiers())) {
      arguments.add(make(type.getEnclosingClass(), types));
      parameters = parameters.subList(1, parameters.size());
    }
    arguments.addAll(arguments(parameters, type, types));
    try {
      Object instance = constructor.newInstance(arguments.toArray());
      made.accept(instance);
      return instance;
    } catch (InvocationTargetException e) {
      throw cause(e);
    }
  }

  private static Constructor<?> constructor(Class<?> type) {
    for (Constructor<?> one : type.getDeclaredConstructors()) {
      if (!one.isSynthetic()) { // a compiler may add its own
        return one;
      }
    }
    throw new IllegalStateException(type + " has no constructor");
  }

  /** What the suite's own code threw. */
  private static Exception cause(InvocationTargetException thrown) {
    Throwable cause = thrown.getCause();
    if (cause instanceof Error error) {
      throw error;
    }
    return cause instanceof Exception exception ? exception : thrown;
  }

  private List<Object> arguments(List<Parameter> parameters, Class<?> asker, SuiteTypes types) {
    List<Object> arguments = new ArrayList<>();
    for (Parameter parameter : parameters) {
      arguments.add(given.value(types.of(parameter), asker));
    }
    return arguments;
  }

  /** Where arguments come from. */
  interface Given {
    Object value(Type type, Class<?> asker);
  }
}
