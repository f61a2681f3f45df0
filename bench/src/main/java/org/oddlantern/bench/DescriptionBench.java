package org.oddlantern.bench;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import org.oddlantern.evidence.Header;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.described.DescribedService;
import org.oddlantern.internal.described.Facts;
import org.oddlantern.internal.described.Holding;
import org.oddlantern.internal.described.KnownDescriptions;
import org.oddlantern.internal.described.Where;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.payload.Fresh;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.Schema;
import org.oddlantern.schema.internal.KnownSources;

/**
 * What a description costs: to read one of 13 MB, against parsing its text; to hold an exchange against it,
 * against parsing the body; to find the ways to break a body, for each with its proof. Both sides work in
 * turn in one process; the ratio of their medians is told.
 */
public final class DescriptionBench {

  private static final int OPERATIONS = 3_000;
  private static final int FIELDS = 40;
  private static final int ROUNDS = 9;

  private final PrintStream out;

  private DescriptionBench(PrintStream out) {
    this.out = out;
  }

  /**
   * Measures and prints.
   *
   * @param arguments none
   */
  public static void main(String[] arguments) {
    new DescriptionBench(new PrintStream(System.out, true, StandardCharsets.UTF_8)).run();
  }

  private void run() {
    String text = description();
    out.printf(
        Locale.ROOT, "a description of %d operations, %.1f MB%n", OPERATIONS, text.length() / 1e6);
    tell(
        "reading it, against parsing its text",
        5,
        () -> read(text),
        () -> JsonMapping.standard().parse(text));
    Holding holding = new Holding(read(text), false);
    for (int items : new int[] {1, 20, 500}) {
      String body = body(items);
      Facts facts = facts(body);
      if (!holding.held(facts).deviations().isEmpty()) {
        throw new IllegalStateException(holding.held(facts).deviations().toString());
      }
      int times = 20_000 / items + 20;
      tell(
          "holding an exchange of " + body.length() + " octets, against parsing its body",
          ROUNDS,
          () -> many(times, () -> holding.held(facts)),
          () -> many(times, () -> JsonMapping.standard().parse(body)));
    }
    wrong();
  }

  private static Object many(int times, Supplier<Object> one) {
    Object last = "";
    for (int i = 0; i < times; i++) {
      last = one.get();
    }
    return last;
  }

  private void wrong() {
    Schema schema = Schema.text(schema());
    int count = schema.wrong(Map.class).all().size();
    List<Double> micros = new ArrayList<>();
    for (int i = 0; i < ROUNDS + 5; i++) {
      long start = System.nanoTime();
      schema.wrong(Map.class);
      if (i >= 5) {
        micros.add((System.nanoTime() - start) / 1e3);
      }
    }
    Collections.sort(micros);
    out.printf(
        Locale.ROOT,
        "%d ways to break a body of %d fields: %.1f microseconds each, proof and all%n",
        count,
        FIELDS,
        micros.get(micros.size() / 2) / count);
    long start = System.nanoTime();
    for (int i = 0; i < 1_000; i++) {
      schema.example(Fresh.seeded("bench", String.valueOf(i)));
    }
    out.printf(
        Locale.ROOT,
        "a good body from nothing: %.1f microseconds%n",
        (System.nanoTime() - start) / 1e6);
  }

  private void tell(String what, int rounds, Supplier<Object> ours, Supplier<Object> other) {
    List<Double> first = new ArrayList<>();
    List<Double> second = new ArrayList<>();
    for (int i = 0; i < rounds + 2; i++) {
      double one = millis(ours);
      double two = millis(other);
      if (i >= 2) {
        first.add(one);
        second.add(two);
      }
    }
    Collections.sort(first);
    Collections.sort(second);
    double mine = first.get(first.size() / 2);
    double its = second.get(second.size() / 2);
    out.printf(Locale.ROOT, "%s: %.1f ms for %.1f ms, %.2f times%n", what, mine, its, mine / its);
  }

  private static double millis(Supplier<Object> work) {
    long start = System.nanoTime();
    if (work.get().hashCode() == 1) {
      throw new IllegalStateException("used, so that it is done");
    }
    return (System.nanoTime() - start) / 1e6;
  }

  private static ApiDocument read(String text) {
    KnownSources none = new KnownSources(
        new Resources(DescriptionBench.class.getClassLoader(), null), Map.of(), Set.of());
    return new KnownDescriptions(none, Draft.DRAFT_2020_12, true)
        .of(new DescribedService("yard", "http://yard", "/openapi.json", () -> text))
        .document();
  }

  private static Facts facts(String body) {
    return new Facts(
        new Facts.Sent(
            "GET",
            Where.of("http://yard/plots/7/hives1500?page=2", "http://yard", ""),
            List.of(),
            Facts.Body.NONE),
        new Facts.Came(
            200,
            List.of(new Header("Content-Type", "application/json")),
            new Facts.Body(body.length(), body, List.of())));
  }

  private static String description() {
    StringBuilder text = new StringBuilder(
        "{\"openapi\":\"3.1.0\",\"info\":{\"title\":\"yard\",\"version\":\"1\"},\"paths\":{");
    for (int i = 0; i < OPERATIONS; i++) {
      text.append(i == 0 ? "" : ",")
          .append("\"/plots/{plot}/hives")
          .append(i)
          .append(
              "\":{\"get\":{\"parameters\":[{\"name\":\"plot\",\"in\":\"path\",\"required\":true,\"schema\":{\"type\":\"integer\"}},")
          .append(
              "{\"name\":\"page\",\"in\":\"query\",\"schema\":{\"type\":\"integer\",\"minimum\":1}}],")
          .append(
              "\"responses\":{\"200\":{\"description\":\"hives\",\"content\":{\"application/json\":{\"schema\":{\"type\":\"array\",\"items\":")
          .append(schema())
          .append("}}}},\"404\":{\"description\":\"none\"}}}}");
    }
    return text.append("}}").toString();
  }

  private static String schema() {
    StringBuilder schema = new StringBuilder("{\"type\":\"object\",\"properties\":{");
    for (int i = 0; i < FIELDS; i++) {
      String field = i % 2 == 0
          ? "{\"type\":\"string\",\"minLength\":1,\"maxLength\":80,\"description\":\"what is known of field "
              + i + "\"}"
          : "{\"type\":\"integer\",\"minimum\":0,\"maximum\":100000}";
      schema.append(i == 0 ? "" : ",").append("\"field").append(i).append("\":").append(field);
    }
    return schema.append("},\"required\":[\"field0\",\"field1\"]}").toString();
  }

  private static String body(int items) {
    StringBuilder body = new StringBuilder("[");
    for (int i = 0; i < items; i++) {
      body.append(i == 0 ? "{" : ",{");
      for (int field = 0; field < FIELDS; field++) {
        body.append(field == 0 ? "" : ",").append("\"field").append(field).append("\":");
        body.append(
            field % 2 == 0 ? "\"the bees of plot " + i + "\"" : String.valueOf(i * 7 + field));
      }
      body.append('}');
    }
    return body.append(']').toString();
  }
}
