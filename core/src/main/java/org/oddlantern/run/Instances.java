package org.oddlantern.run;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.lang.reflect.Parameter;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.plan.CaseDefinition;

/** Makes a new instance of a suite, and of the suites around a section, and calls its method. */
final class Instances {

  private final Given given;

  Instances(Given given) {
    this.given = given;
  }

  @Nullable
  Object call(CaseDefinition definition) throws Throwable {
    Method method = definition.method();
    method.setAccessible(true);
    Object instance = Modifier.isStatic(method.getModifiers()) ? null : make(definition.suite());
    List<Object> arguments = arguments(List.of(method.getParameters()), definition.suite());
    try {
      return method.invoke(instance, arguments.toArray());
    } catch (InvocationTargetException e) {
      throw e.getCause() == null ? e : e.getCause();
    }
  }

  private Object make(Class<?> type) throws Throwable {
    Constructor<?> constructor = type.getDeclaredConstructors()[0];
    constructor.setAccessible(true);
    List<Parameter> parameters = List.of(constructor.getParameters());
    List<Object> arguments = new ArrayList<>();
    if (type.isMemberClass() && !Modifier.isStatic(type.getModifiers())) {
      arguments.add(make(type.getEnclosingClass()));
      parameters = parameters.subList(1, parameters.size());
    }
    arguments.addAll(arguments(parameters, type));
    try {
      return constructor.newInstance(arguments.toArray());
    } catch (InvocationTargetException e) {
      throw e.getCause() == null ? e : e.getCause();
    }
  }

  private List<Object> arguments(List<Parameter> parameters, Class<?> asker) {
    return parameters.stream()
        .map(parameter -> given.value(parameter.getParameterizedType(), asker))
        .toList();
  }

  /** Where arguments come from. */
  interface Given {
    Object value(Type type, Class<?> asker);
  }
}
