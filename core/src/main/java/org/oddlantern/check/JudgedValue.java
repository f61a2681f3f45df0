package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.internal.MappedCheck;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.json.internal.GatheredValues;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.TypeMismatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What {@link Judged} promises. */
final class JudgedValue<T> implements Judged<T>, NodeShape, MappedCheck {

  private final String words;
  private final Class<T> type;
  private final Function<T, ? extends List<String>> judge;
  private final JsonMapping mapping;

  JudgedValue(String words, Class<T> type, Function<T, ? extends List<String>> judge) {
    this(words, type, judge, JsonMapping.standard());
  }

  private JudgedValue(
      String words, Class<T> type, Function<T, ? extends List<String>> judge, JsonMapping mapping) {
    this.words = words;
    this.type = type;
    this.judge = judge;
    this.mapping = mapping;
  }

  /** Read as the service's own mapper reads. */
  @Override
  public JudgedValue<T> by(JsonMapping other) {
    return other.isStandard() ? this : new JudgedValue<>(words, type, judge, other);
  }

  @Override
  public String words() {
    return words;
  }

  /** The line that threw. */
  private static String at(Throwable thrown) {
    StackTraceElement[] stack = thrown.getStackTrace();
    return stack.length == 0
        ? ""
        : " (" + stack[0].getFileName() + ":" + stack[0].getLineNumber() + ")";
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    return Checks.body(this).examine(evidence);
  }

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    if (GatheredValues.isNothing(value)) {
      return GatheredValues.nothing(where, words);
    }
    T item;
    try {
      item = mapping.read(value, type);
    } catch (TypeMismatch e) {
      FoundNode inner = e.inside(new FoundNode(where, value));
      return List.of(
          Finding.of(inner.where(), e.wanted(), Words.withKind(inner.value())).hint(e.reason()));
    }
    List<String> problems;
    try {
      problems = List.copyOf(judge.apply(item));
    } catch (OutOfMemoryError e) {
      throw e;
    } catch (Throwable e) {
      return List.of(Finding.of(where, words, "no answer: it threw " + e + at(e)));
    }
    List<Finding> findings = new ArrayList<>();
    for (String problem : problems) {
      findings.add(
          Finding.of(where, words, problem.isBlank() ? "a problem without words" : problem));
    }
    return findings;
  }
}
