package org.oddlantern.json.internal;

import org.oddlantern.shaded.tools.jackson.core.StreamReadConstraints;
import org.oddlantern.shaded.tools.jackson.core.StreamReadFeature;
import org.oddlantern.shaded.tools.jackson.core.StreamWriteFeature;
import org.oddlantern.shaded.tools.jackson.core.json.JsonFactory;
import org.oddlantern.shaded.tools.jackson.databind.AnnotationIntrospector;
import org.oddlantern.shaded.tools.jackson.databind.DeserializationFeature;
import org.oddlantern.shaded.tools.jackson.databind.MapperFeature;
import org.oddlantern.shaded.tools.jackson.databind.cfg.CoercionAction;
import org.oddlantern.shaded.tools.jackson.databind.cfg.CoercionInputShape;
import org.oddlantern.shaded.tools.jackson.databind.cfg.DateTimeFeature;
import org.oddlantern.shaded.tools.jackson.databind.cfg.EnumFeature;
import org.oddlantern.shaded.tools.jackson.databind.introspect.AnnotationIntrospectorPair;
import org.oddlantern.shaded.tools.jackson.databind.json.JsonMapper;
import org.oddlantern.shaded.tools.jackson.databind.module.SimpleModule;
import org.oddlantern.shaded.tools.jackson.databind.type.LogicalType;

/** The mapper inside: strict in reading, without loss in writing, by the annotations of the project. */
final class StandardMapper {

  private static final StreamReadConstraints LIMITS = StreamReadConstraints.builder()
      .maxNestingDepth(1_000)
      .maxNumberLength(1_000)
      .maxStringLength(100_000_000)
      .build();

  private StandardMapper() {}

  static JsonMapper made() {
    AnnotationIntrospector needed = new NeededComponents();
    SimpleModule types = new SimpleModule("odd-lantern-strict") {
      @Override
      public void setupModule(SetupContext context) {
        super.setupModule(context);
        context.addKeyDeserializers(new KeyNames());
      }
    }.setDeserializerModifier(new StrictTypes());
    return withOwnTypes(JsonMapper.builder(
                JsonFactory.builder().streamReadConstraints(LIMITS).build())
            .disable(StreamReadFeature.INCLUDE_SOURCE_IN_LOCATION)
            .nodeFactory(new Decimals.Nodes())
            .enable(
                StreamWriteFeature.WRITE_BIGDECIMAL_AS_PLAIN,
                StreamWriteFeature.USE_FAST_DOUBLE_WRITER)
            .enable(
                DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS,
                DeserializationFeature.FAIL_ON_READING_DUP_TREE_KEY)
            .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
            .disable(
                MapperFeature.ALLOW_COERCION_OF_SCALARS,
                MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
            .withCoercionConfig(
                LogicalType.Textual,
                texts -> texts
                    .setCoercion(CoercionInputShape.Integer, CoercionAction.Fail)
                    .setCoercion(CoercionInputShape.Float, CoercionAction.Fail)
                    .setCoercion(CoercionInputShape.Boolean, CoercionAction.Fail))
            .withCoercionConfigDefaults(
                all -> all.setCoercion(CoercionInputShape.EmptyString, CoercionAction.Fail))
            .enable(EnumFeature.FAIL_ON_NUMBERS_FOR_ENUMS)
            .disable(DateTimeFeature.ADJUST_DATES_TO_CONTEXT_TIME_ZONE)
            .addModule(types))
        .annotationIntrospector(AnnotationIntrospectorPair.pair(
            new KeyIntrospector(),
            AnnotationIntrospectorPair.pair(needed, new ProjectAnnotations())))
        .build();
  }

  private static JsonMapper.Builder withOwnTypes(JsonMapper.Builder builder) {
    return builder
        .annotationIntrospector(AnnotationIntrospectorPair.pair(
            new KeyIntrospector(), builder.annotationIntrospector()))
        .addModule(SecretModule.make())
        .addModule(new ProjectTrees());
  }
}
