package org.oddlantern.json.internal;

import com.fasterxml.jackson.annotation.JsonCreator;
import java.lang.reflect.Member;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Key;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.Annotated;
import tools.jackson.databind.introspect.AnnotatedConstructor;
import tools.jackson.databind.introspect.AnnotatedMember;
import tools.jackson.databind.introspect.AnnotatedMethod;
import tools.jackson.databind.introspect.NopAnnotationIntrospector;

/** Tells the mapper that a {@link Key} record is written and read as its one component. */
final class KeyIntrospector extends NopAnnotationIntrospector {

  private static final long serialVersionUID = 1L;

  @Override
  public @Nullable Boolean hasAsValue(MapperConfig<?> config, Annotated annotated) {
    return annotated instanceof AnnotatedMethod method && isKeyAccessor(method)
        ? Boolean.TRUE
        : null;
  }

  @Override
  public @Nullable Boolean hasAsKey(MapperConfig<?> config, Annotated annotated) {
    return hasAsValue(config, annotated);
  }

  @Override
  public JsonCreator.@Nullable Mode findCreatorAnnotation(
      MapperConfig<?> config, Annotated annotated) {
    return annotated instanceof AnnotatedConstructor constructor
            && constructor.getParameterCount() == 1
            && isKey(constructor.getDeclaringClass())
        ? JsonCreator.Mode.DELEGATING
        : null;
  }

  private static boolean isKeyAccessor(AnnotatedMember method) {
    Member member = method.getMember();
    return isKey(member.getDeclaringClass())
        && member.getDeclaringClass().getRecordComponents()[0].getAccessor().equals(member);
  }

  private static boolean isKey(Class<?> type) {
    if (!type.isAnnotationPresent(Key.class)) {
      return false;
    }
    if (!type.isRecord() || type.getRecordComponents().length != 1) {
      throw new IllegalArgumentException("@Key stands on " + type.getName()
          + ", which is not a record of exactly one component; make it one or remove the mark");
    }
    return true;
  }
}
