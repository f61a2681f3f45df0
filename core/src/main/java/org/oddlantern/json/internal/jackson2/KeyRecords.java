package org.oddlantern.json.internal.jackson2;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.databind.cfg.MapperConfig;
import com.fasterxml.jackson.databind.introspect.Annotated;
import com.fasterxml.jackson.databind.introspect.AnnotatedConstructor;
import com.fasterxml.jackson.databind.introspect.AnnotatedMethod;
import com.fasterxml.jackson.databind.introspect.NopAnnotationIntrospector;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Key;
import org.oddlantern.json.internal.KeyType;

/** Tells Jackson 2 that a {@link Key} record is written, as a key too, and read as its one component. */
final class KeyRecords extends NopAnnotationIntrospector {

  private static final long serialVersionUID = 1L;

  @Override
  public @Nullable Boolean hasAsValue(Annotated annotated) {
    return annotated instanceof AnnotatedMethod method && KeyType.isAccessor(method.getMember())
        ? Boolean.TRUE
        : null;
  }

  @Override
  public JsonCreator.@Nullable Mode findCreatorAnnotation(
      MapperConfig<?> config, Annotated annotated) {
    return annotated instanceof AnnotatedConstructor constructor
            && constructor.getParameterCount() == 1
            && KeyType.is(constructor.getDeclaringClass())
        ? JsonCreator.Mode.DELEGATING
        : null;
  }
}
