package org.oddlantern.internal.plan;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.ReadFiles;
import org.oddlantern.internal.Resources;

/** The samples themselves: calls each method of samples once. */
final class SampleData {

  private static final int LONGEST_KEY = 60;
  private static final Pattern NAME = Pattern.compile("[^\\[\\]{}*\\p{Cntrl}]+");

  private final Resources files;
  private final Map<SamplesDefinition, Given> known = new HashMap<>();

  SampleData(Resources files) {
    this.files = files;
  }

  /** The samples of a method; none if it has a problem. */
  List<Sample> of(SamplesDefinition definition) {
    return given(definition).samples();
  }

  /** Why there are no samples; empty if there are some. */
  List<PlanProblem> problems(SamplesDefinition definition) {
    String problem = given(definition).problem();
    return problem.isEmpty() ? List.of() : List.of(new PlanProblem(definition.place(), problem));
  }

  /** The files that the samples were read from, as the suite names them. */
  List<String> files(SamplesDefinition definition) {
    return given(definition).files();
  }

  /** The names of components that a title may ask for; none if there are no samples. */
  List<String> names(SamplesDefinition definition) {
    List<Sample> samples = of(definition);
    return samples.isEmpty() ? List.of() : List.copyOf(samples.get(0).getters().keySet());
  }

  private Given given(SamplesDefinition definition) {
    Given given = known.get(definition);
    if (given == null) {
      given = called(definition);
      known.put(definition, given);
    }
    return given;
  }

  private Given called(SamplesDefinition definition) {
    Method method = definition.method();
    if (!Modifier.isStatic(method.getModifiers()) || method.getParameterCount() > 0) {
      return Given.none(""); // told with what is wrong with the method
    }
    ReadFiles read = new ReadFiles();
    try (CurrentCase.Binding binding = CurrentCase.bind(List.of(files, read))) {
      method.setAccessible(true);
      Object returned = method.invoke(null);
      List<?> values = returned instanceof Stream<?> stream
          ? stream.toList()
          : returned instanceof List<?> list ? list : List.of();
      Given given = checked(values);
      return new Given(given.samples, given.problem, read.names());
    } catch (InvocationTargetException e) {
      Throwable cause = e.getCause() == null ? e : e.getCause();
      String kind =
          cause instanceof IllegalArgumentException ? "" : cause.getClass().getSimpleName() + ": ";
      return Given.none("its samples cannot be had: " + kind + cause.getMessage());
    } catch (ReflectiveOperationException | RuntimeException e) {
      return Given.none("its samples cannot be had: " + e);
    }
  }

  private static Given checked(List<?> values) {
    if (values.isEmpty()) {
      return Given.none("it gives no samples, so nothing would run that takes one");
    }
    List<Object> present = new ArrayList<>();
    for (Object value : values) {
      if (value == null) {
        return Given.none("sample " + (present.size() + 1) + " is null; leave it out");
      }
      present.add(value);
    }
    return new Given(keyed(present), "", List.of());
  }

  /** By their first components, if these tell all apart; else by their numbers. */
  private static List<Sample> keyed(List<Object> values) {
    Map<Class<?>, Map<String, Method>> getters = new HashMap<>();
    List<String> keys = new ArrayList<>();
    for (Object value : values) {
      Map<String, Method> own = getters.computeIfAbsent(value.getClass(), SampleFields::getters);
      keys.add(firstComponent(new SampleFields(value, own)));
    }
    Set<String> different = new HashSet<>(keys);
    boolean apart = different.size() == keys.size() && !different.contains("");
    List<Sample> samples = new ArrayList<>();
    for (int i = 0; i < values.size(); i++) {
      Object value = values.get(i);
      String key = apart ? keys.get(i) : String.valueOf(i + 1);
      samples.add(new Sample(key, i + 1, value, getters.getOrDefault(value.getClass(), Map.of())));
    }
    return List.copyOf(samples);
  }

  /** Empty if it does not serve as a name. */
  private static String firstComponent(SampleFields fields) {
    String text = fields.first();
    return text.length() > LONGEST_KEY || text.isBlank() || !NAME.matcher(text).matches()
        ? ""
        : text;
  }

  /** What a method gave, or why it did not, and what it read for that. */
  private record Given(List<Sample> samples, String problem, List<String> files) {

    static Given none(String problem) {
      return new Given(List.of(), problem, List.of());
    }
  }
}
