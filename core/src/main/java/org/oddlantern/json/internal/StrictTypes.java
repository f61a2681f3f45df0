package org.oddlantern.json.internal;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.MonthDay;
import java.time.OffsetDateTime;
import java.time.OffsetTime;
import java.time.Period;
import java.time.YearMonth;
import java.time.ZonedDateTime;
import java.util.Calendar;
import java.util.Date;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.com.fasterxml.jackson.annotation.JsonFormat;
import org.oddlantern.shaded.tools.jackson.core.JsonParser;
import org.oddlantern.shaded.tools.jackson.core.JsonToken;
import org.oddlantern.shaded.tools.jackson.databind.BeanDescription;
import org.oddlantern.shaded.tools.jackson.databind.BeanProperty;
import org.oddlantern.shaded.tools.jackson.databind.DeserializationConfig;
import org.oddlantern.shaded.tools.jackson.databind.DeserializationContext;
import org.oddlantern.shaded.tools.jackson.databind.ValueDeserializer;
import org.oddlantern.shaded.tools.jackson.databind.deser.ValueDeserializerModifier;
import org.oddlantern.shaded.tools.jackson.databind.deser.std.DelegatingDeserializer;

/**
 * Refuses what the mapper would bend to a type: numbers for moments, of which nobody says whether they
 * are seconds or milliseconds; moments for dates; and takes {@code 1.0} for a whole number, which it is.
 */
final class StrictTypes extends ValueDeserializerModifier {

  private static final long serialVersionUID = 1L;

  private static final Set<Class<?>> TEXTS = Set.of(
      LocalDate.class,
      LocalDateTime.class,
      LocalTime.class,
      Instant.class,
      OffsetDateTime.class,
      OffsetTime.class,
      ZonedDateTime.class,
      MonthDay.class,
      YearMonth.class,
      Duration.class,
      Period.class,
      Date.class,
      Calendar.class,
      Character.class,
      char.class);

  private static final Set<Class<?>> MOMENTS =
      Set.of(Instant.class, OffsetDateTime.class, ZonedDateTime.class, Date.class, Calendar.class);

  private static final String UNIT =
      ", since it may be seconds or milliseconds; read it as long, and make the moment with Instant.ofEpochSecond or Instant.ofEpochMilli";

  private static final Pattern COUNTED = Pattern.compile("[-+.\\d]+");
  private static final Pattern WITH_OFFSET = Pattern.compile("[^T]*T.*(Z|[+-]\\d\\d(:?\\d\\d)?)");

  private static final Set<Class<?>> WHOLE = Set.of(
      byte.class,
      Byte.class,
      short.class,
      Short.class,
      int.class,
      Integer.class,
      long.class,
      Long.class,
      java.math.BigInteger.class);

  @Override
  public ValueDeserializer<?> modifyDeserializer(
      DeserializationConfig config,
      BeanDescription.Supplier description,
      ValueDeserializer<?> known) {
    Class<?> type = description.getBeanClass();
    if (TEXTS.contains(type)) {
      return new TextOnly(known);
    }
    ValueDeserializer<?> strict = WHOLE.contains(type) ? new Whole(known) : known;
    return UntypedScalar.reads(type) ? new UntypedScalar(strict) : strict;
  }

  /** Reads from text only, and from text that says no more than the type holds. */
  private static final class TextOnly extends DelegatingDeserializer {

    TextOnly(ValueDeserializer<?> known) {
      super(known);
    }

    @Override
    protected ValueDeserializer<?> newDelegatingInstance(ValueDeserializer<?> other) {
      return new TextOnly(other);
    }

    /** Who says how it is written knows what he wants. */
    @Override
    public ValueDeserializer<?> createContextual(
        DeserializationContext context, @Nullable BeanProperty property) {
      JsonFormat.Value format = property == null
          ? JsonFormat.Value.empty()
          : property.findPropertyFormat(context.getConfig(), handledType());
      ValueDeserializer<?> contextual = super.createContextual(context, property);
      boolean own = format.hasPattern() || format.hasShape();
      return own && contextual instanceof TextOnly wrapped ? wrapped.getDelegatee() : contextual;
    }

    @Override
    public @Nullable Object deserialize(JsonParser parser, DeserializationContext context) {
      String type = handledType().getSimpleName();
      if (parser.currentToken() != JsonToken.VALUE_STRING) {
        return context.reportInputMismatch(
            handledType(), "%s is not taken for %s%s", kind(parser), type, advice(parser));
      }
      String text = parser.getString();
      String more = surplus(text);
      if (!more.isEmpty()) {
        return context.reportInputMismatch(
            handledType(),
            "%s is not taken for %s%s",
            "the text \"" + Words.cut(text) + '"',
            type,
            more);
      }
      return super.deserialize(parser, context);
    }

    private String surplus(String text) {
      if (text.isBlank() && !Character.class.equals(handledType())) {
        return ": there is nothing in it";
      }
      if (MOMENTS.contains(handledType()) && COUNTED.matcher(text).matches()) {
        return UNIT;
      }
      if (handledType() == LocalDate.class && text.length() > 10) {
        return ", which is a date alone; OffsetDateTime holds a date and a time";
      }
      return handledType() == LocalDateTime.class && WITH_OFFSET.matcher(text).matches()
          ? ", which has no offset; OffsetDateTime has one"
          : "";
    }

    private String advice(JsonParser parser) {
      return parser.currentToken().isNumeric() && MOMENTS.contains(handledType()) ? UNIT : "";
    }
  }

  /** Takes a number without a fraction for a whole one, however it is written. */
  private static final class Whole extends DelegatingDeserializer {

    private static final Map<Class<?>, Integer> BITS = Map.of(
        byte.class,
        8,
        Byte.class,
        8,
        short.class,
        16,
        Short.class,
        16,
        int.class,
        32,
        Integer.class,
        32,
        long.class,
        64,
        Long.class,
        64);

    Whole(ValueDeserializer<?> known) {
      super(known);
    }

    @Override
    protected ValueDeserializer<?> newDelegatingInstance(ValueDeserializer<?> other) {
      return new Whole(other);
    }

    @Override
    public @Nullable Object deserialize(JsonParser parser, DeserializationContext context) {
      if (handledType() == byte.class || handledType() == Byte.class) {
        refuseUnsigned(parser, context);
      }
      if (parser.currentToken() == JsonToken.VALUE_NUMBER_FLOAT) {
        BigDecimal number = parser.getDecimalValue().stripTrailingZeros();
        int bits = BITS.getOrDefault(handledType(), Integer.MAX_VALUE);
        boolean fits = number.scale() <= 0
            && number.scale() > -1_000
            && number.toBigInteger().bitLength() < bits;
        if (fits) {
          return made(number);
        }
      }
      return super.deserialize(parser, context);
    }

    /** The mapper takes 200 for the byte -56. */
    private void refuseUnsigned(JsonParser parser, DeserializationContext context) {
      if (parser.currentToken() == JsonToken.VALUE_NUMBER_INT
          && parser.getBigIntegerValue().bitLength() >= Byte.SIZE) {
        context.reportInputMismatch(handledType(), "%s", MisfitWords.tooLarge(handledType()));
      }
    }

    private Object made(BigDecimal number) {
      Class<?> type = handledType();
      if (type == int.class || type == Integer.class) {
        return number.intValueExact();
      }
      if (type == long.class || type == Long.class) {
        return number.longValueExact();
      }
      if (type == short.class || type == Short.class) {
        return number.shortValueExact();
      }
      return type == byte.class || type == Byte.class
          ? (Object) number.byteValueExact()
          : number.toBigIntegerExact();
    }
  }

  private static String kind(JsonParser parser) {
    return switch (parser.currentToken()) {
      case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT -> "a number";
      case VALUE_TRUE, VALUE_FALSE -> "true or false";
      case START_ARRAY -> "a list";
      case START_OBJECT -> "an object";
      default -> "this";
    };
  }
}
