package org.oddlantern.bench;

import com.networknt.schema.InputFormat;
import com.networknt.schema.OutputFormat;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SchemaRegistryConfig;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.BooleanSupplier;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.schema.Schema;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Validations per second of processor time against another general-purpose validator of the JVM that passes every required
 * test of all five drafts. Both sides work in turn in one process on the same parsed tree or the same
 * text, formats asserted on both; the ratio of their medians is told.
 */
public final class SchemaBench {

  private static final int WARM_UP = 60;
  private static final int ROUNDS = 11;
  private static final long ROUND_NANOS = 150_000_000L;

  private final PrintStream out;

  private SchemaBench(PrintStream out) {
    this.out = out;
  }

  /**
   * Measures and prints.
   *
   * @param arguments what to measure: {@code small}, {@code medium}, {@code large}, {@code reading};
   *     everything if none is given
   * @throws IOException if a schema cannot be read
   */
  public static void main(String[] arguments) throws IOException {
    Set<String> chosen =
        arguments.length == 0 ? Set.of("small", "medium", "large", "reading") : Set.of(arguments);
    new SchemaBench(new PrintStream(System.out, true, StandardCharsets.UTF_8)).run(chosen);
  }

  private void run(Set<String> chosen) throws IOException {
    out.printf("%-34s %14s %14s %8s%n", "", "ours per s", "other per s", "times");
    if (chosen.contains("small")) {
      measure("small", SchemaSamples.hive(), SchemaSamples.badHive());
    }
    if (chosen.contains("medium")) {
      measure("medium", SchemaSamples.map(), SchemaSamples.badMap());
    }
    if (chosen.contains("large")) {
      measure("large", SchemaSamples.description(), SchemaSamples.badDescription());
    }
    if (chosen.contains("reading")) {
      for (String name : List.of("small", "medium", "large")) {
        String text = schema(name);
        tell(
            "reading the " + name + " schema",
            () -> Schema.text(text).json().size() > 0,
            () -> other(text).getSchemaNode().isObject());
        com.networknt.schema.Schema meta = metaSchema(other(text));
        tell( // this library always does
            "the same, held against its draft",
            () -> Schema.text(text).json().size() > 0,
            () -> meta.validate(other(text).getSchemaNode()).isEmpty());
      }
    }
  }

  private void measure(String name, JsonNode good, JsonNode bad) throws IOException {
    String text = schema(name);
    Schema ours = Schema.text(text);
    com.networknt.schema.Schema other = other(text);
    tools.jackson.databind.JsonNode othersBad = othersTree(bad);
    verdicts(name + ", valid", ours, other, good, true);
    verdicts(name + ", invalid", ours, other, bad, false);
    tell(
        name + ", invalid, explained",
        () -> ours.differences(Location.ROOT, Json.of(bad)).isEmpty(),
        () -> {
          int length = 0;
          for (com.networknt.schema.Error error : other.validate(othersBad)) {
            length += error.getMessage().length();
          }
          return length == 0;
        });
  }

  private void verdicts(
      String what, Schema ours, com.networknt.schema.Schema other, JsonNode value, boolean wanted) {
    String text = JsonMapping.standard().write(value);
    tools.jackson.databind.JsonNode othersValue = othersTree(value);
    if (ours.accepts(Json.of(value)) != wanted || other.validate(othersValue).isEmpty() != wanted) {
      throw new IllegalStateException("the sides do not agree: " + what);
    }
    tell(
        what + ", tree",
        () -> ours.accepts(Json.of(value)),
        () -> other.validate(othersValue, OutputFormat.BOOLEAN));
    tell(
        what + ", text",
        () -> ours.accepts(Json.parse(text)),
        () -> other.validate(text, InputFormat.JSON, OutputFormat.BOOLEAN));
  }

  /** The same value as a tree of the JSON library that the other side uses. */
  private static tools.jackson.databind.JsonNode othersTree(JsonNode value) {
    return tools.jackson.databind.json.JsonMapper.shared()
        .readTree(JsonMapping.standard().write(value));
  }

  private static com.networknt.schema.Schema metaSchema(com.networknt.schema.Schema of) {
    String draft = of.getSchemaNode().path("$schema").asString();
    com.networknt.schema.Schema meta = SchemaRegistry.withDefaultDialect(
            SpecificationVersion.DRAFT_2020_12)
        .getSchema(SchemaLocation.of(draft));
    meta.initializeValidators();
    return meta;
  }

  private static com.networknt.schema.Schema other(String schema) {
    SchemaRegistryConfig config = SchemaRegistryConfig.builder()
        .formatAssertionsEnabled(true)
        .failFast(false)
        .build();
    com.networknt.schema.Schema read = SchemaRegistry.withDefaultDialect(
            SpecificationVersion.DRAFT_2020_12, registry -> registry.schemaRegistryConfig(config))
        .getSchema(schema);
    read.initializeValidators();
    return read;
  }

  private void tell(String what, BooleanSupplier ours, BooleanSupplier other) {
    double[] own = new double[ROUNDS];
    double[] others = new double[ROUNDS];
    for (int round = -WARM_UP; round < ROUNDS; round++) {
      double first = perSecond(ours);
      double second = perSecond(other);
      if (round >= 0) {
        own[round] = first;
        others[round] = second;
      }
    }
    Arrays.sort(own);
    Arrays.sort(others);
    double mine = own[ROUNDS / 2];
    double theirs = others[ROUNDS / 2];
    out.println(String.format(
        Locale.ROOT, "%-34s %,14.0f %,14.0f %8.1f", what, mine, theirs, mine / theirs));
  }

  /** How often in a second of processor time of this thread, which others on the machine do not shorten. */
  private static double perSecond(BooleanSupplier work) {
    ThreadMXBean threads = ManagementFactory.getThreadMXBean();
    long used = threads.getCurrentThreadCpuTime();
    long start = System.nanoTime();
    long count = 0;
    long held = 0;
    while (System.nanoTime() - start < ROUND_NANOS) {
      for (int i = 0; i < 4; i++) {
        count++;
        held += work.getAsBoolean() ? 1 : 0;
      }
    }
    if (held > 0 && held < count) {
      throw new IllegalStateException("the same work gave two answers");
    }
    return count * 1e9 / (threads.getCurrentThreadCpuTime() - used);
  }

  private static String schema(String name) throws IOException {
    try (InputStream stream = SchemaBench.class.getResourceAsStream("/schemas/" + name + ".json")) {
      if (stream == null) {
        throw new IOException("there is no schema " + name);
      }
      return new String(stream.readAllBytes(), StandardCharsets.UTF_8);
    }
  }
}
