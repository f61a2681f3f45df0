package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.blind.GivenValue;
import org.oddlantern.internal.plan.ValueParameter;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** One attempt of a case with all that is needed to do it again. Of one thread at a time. */
final class Performance {

  private final CaseLog log;
  private final Tape tape;
  private final TakenValues values;
  private final String attempt;
  private final List<GivenValue> given;
  private final long begun = System.nanoTime();
  private @Nullable Object made;
  private long nanos;

  /**
   * An attempt that is about to begin.
   *
   * @param log its record
   * @param tape what it is told
   * @param values the values it takes
   * @param attempt which attempt it is, from the second on; else empty
   */
  Performance(CaseLog log, Tape tape, TakenValues values, String attempt) {
    this.log = log;
    this.tape = tape;
    this.values = values;
    this.attempt = attempt;
    this.given = given();
  }

  /** It has ended. */
  Performance ended(@Nullable Object value) {
    nanos = System.nanoTime() - begun;
    made = value;
    return this;
  }

  CaseLog log() {
    return log;
  }

  Tape tape() {
    return tape;
  }

  TakenValues values() {
    return values;
  }

  String attempt() {
    return attempt;
  }

  /** What it took, as it was before it began. */
  List<GivenValue> takenBefore() {
    return given;
  }

  /** How what it handed on looks on the wire; null if it handed on nothing that can be told. */
  @Nullable
  JsonNode handedOn() {
    return told(made);
  }

  /** How long it was. */
  long nanos() {
    return nanos;
  }

  /** The type of a value that it took and changed; empty if it changed none, as far as can be told. */
  String changedType() {
    List<GivenValue> now = given();
    for (int i = 0; i < now.size() && now.size() == given.size(); i++) {
      if (!now.get(i).tree().equals(given.get(i).tree())) {
        return now.get(i).type();
      }
    }
    return "";
  }

  private List<GivenValue> given() {
    List<GivenValue> told = new ArrayList<>();
    for (Map.Entry<ValueParameter, Object> entry : values.all().entrySet()) {
      JsonNode tree = told(entry.getValue());
      if (tree != null) {
        String type = entry.getValue() instanceof List<?> list && !list.isEmpty()
            ? list.get(0).getClass().getSimpleName()
            : entry.getValue().getClass().getSimpleName();
        told.add(new GivenValue(name(type), type, tree));
      }
    }
    return told;
  }

  /** As code would call one. */
  private static String name(String type) {
    return type.isEmpty() ? type : Character.toLowerCase(type.charAt(0)) + type.substring(1);
  }

  /** Null where it cannot be told: it holds something that is no data. */
  static @Nullable JsonNode told(@Nullable Object value) {
    try {
      return value == null || !PlainData.is(value)
          ? null
          : JsonMapping.standard().tree(value);
    } catch (RuntimeException | StackOverflowError e) {
      return null;
    }
  }
}
