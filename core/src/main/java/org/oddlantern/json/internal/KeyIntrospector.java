package org.oddlantern.json.internal;

import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Key;
import org.oddlantern.shaded.com.fasterxml.jackson.annotation.JsonCreator;
import org.oddlantern.shaded.tools.jackson.databind.cfg.MapperConfig;
import org.oddlantern.shaded.tools.jackson.databind.introspect.Annotated;
import org.oddlantern.shaded.tools.jackson.databind.introspect.AnnotatedConstructor;
import org.oddlantern.shaded.tools.jackson.databind.introspect.AnnotatedMethod;
import org.oddlantern.shaded.tools.jackson.databind.introspect.NopAnnotationIntrospector;

/** Tells the mapper that a {@link Key} record is written and read as its one component. */
final class KeyIntrospector extends NopAnnotationIntrospector {

  private static final long serialVersionUID = 1L;

  @Override
  public @Nullable Boolean hasAsValue(MapperConfig<?> config, Annotated annotated) {
    return annotated instanceof AnnotatedMethod method && KeyType.isAccessor(method.getMember())
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
            && KeyType.is(constructor.getDeclaringClass())
        ? JsonCreator.Mode.DELEGATING
        : null;
  }
}
