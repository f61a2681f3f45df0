package org.oddlantern.json.internal;

import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.cfg.MapperConfig;
import org.oddlantern.shaded.tools.jackson.databind.introspect.AnnotatedMember;
import org.oddlantern.shaded.tools.jackson.databind.introspect.AnnotatedParameter;
import org.oddlantern.shaded.tools.jackson.databind.introspect.NopAnnotationIntrospector;

/** A primitive component cannot say that nothing came, so something must come. */
final class NeededComponents extends NopAnnotationIntrospector {

  private static final long serialVersionUID = 1L;

  @Override
  public @Nullable Boolean hasRequiredMarker(MapperConfig<?> config, AnnotatedMember member) {
    return member instanceof AnnotatedParameter && member.getRawType().isPrimitive()
        ? Boolean.TRUE
        : null;
  }
}
