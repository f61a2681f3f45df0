package org.oddlantern.json.internal.jackson3;

import com.fasterxml.jackson.annotation.JsonCreator;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Key;
import org.oddlantern.json.internal.KeyType;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.Annotated;
import tools.jackson.databind.introspect.AnnotatedConstructor;
import tools.jackson.databind.introspect.AnnotatedMethod;
import tools.jackson.databind.introspect.NopAnnotationIntrospector;

/** Tells Jackson 3 that a {@link Key} record is written, as a key too, and read as its one component. */
final class KeyRecords extends NopAnnotationIntrospector {

  private static final long serialVersionUID = 1L;

  @Override
  public @Nullable Boolean hasAsValue(MapperConfig<?> config, Annotated annotated) {
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
