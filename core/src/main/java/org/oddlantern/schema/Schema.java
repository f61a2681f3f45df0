package org.oddlantern.schema;

import java.util.List;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.GatheredValues;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.payload.Fresh;
import org.oddlantern.schema.internal.CompiledSchema;
import org.oddlantern.schema.internal.KnownSchemas;
import org.oddlantern.schema.internal.make.Change;
import org.oddlantern.schema.internal.make.Changes;
import org.oddlantern.schema.internal.make.Examples;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A JSON Schema, drafts 4, 6, 7, 2019-09 and 2020-12, read and ready to judge. It is a shape, so it may
 * be wherever a shape may: for a body, a value at a path, an item of a list, a field of another
 * shape. Immutable and thread-safe; read once and kept in a constant it costs least.
 *
 * <pre>{@code
 * static final Schema HIVE = Schema.named("schemas/hive.json");
 *
 * beeyard.send(Call.get("/hives/{id}", id)).must(status(200), body(HIVE));
 * }</pre>
 *
 * <p>A violation gives the place and the value, what the schema asked for and where in the schema it
 * does. Of {@code oneOf} and {@code anyOf} the form that comes closest is explained.
 */
public final class Schema implements Shape {

  private final CompiledSchema compiled;

  Schema(CompiledSchema compiled) {
    this.compiled = compiled;
  }

  /**
   * Reads a schema from a file, by the rules of the run: those of {@link
   * SchemaReader#standard()} where the settings say no other.
   *
   * @param name as for {@link SchemaReader#named}
   * @return the schema
   * @throws SchemaProblem if it cannot be used
   * @throws IllegalArgumentException if there is no such file
   */
  public static Schema named(String name) {
    Needed.of(name, "named(name): name");
    return KnownSchemas.current(name);
  }

  /**
   * Reads a schema from a text, by the rules of the run: those of {@link
   * SchemaReader#standard()} where the settings say no other.
   *
   * @param text JSON or YAML
   * @return the schema
   * @throws SchemaProblem if it cannot be used
   */
  public static Schema text(String text) {
    Needed.of(text, "text(text): text");
    return KnownSchemas.currentReader().text(text);
  }

  /**
   * Reads a schema from a tree, by the rules of the run: those of {@link
   * SchemaReader#standard()} where the settings say no other.
   *
   * @param schema an object or a boolean
   * @return the schema
   * @throws SchemaProblem if it cannot be used
   */
  public static Schema of(Json schema) {
    Needed.of(schema, "of(schema): schema");
    return KnownSchemas.currentReader().of(schema);
  }

  /**
   * A first schema of some samples, to be tightened by hand; see {@link Sketch} for a choice.
   *
   * @param samples one or more values, all of which it accepts
   * @return the schema; {@link #json()} is what to write to a file
   * @throws IllegalArgumentException if there is no sample
   */
  public static Schema sketch(List<Json> samples) {
    Needed.of(samples, "sketch(samples): samples");
    return SchemaReader.standard().of(Sketch.open().of(samples));
  }

  /**
   * The ways to break a value that fits, each at one place and at no other, which this schema itself
   * proves: a field missing, null, of another kind, too short, too long, below, above, not one of those
   * named, of another pattern or format, an item too many, and more.
   *
   * @param <T> what the good value is
   * @param type the same
   * @return the ways, for samples; {@link Recipes#leftOut} says which could not be proven
   * @throws IllegalArgumentException if no value can be made that fits
   */
  public <T> Recipes<Wrong<T>> wrong(Class<T> type) {
    Needed.of(type, "wrong(type): type");
    Changes changes = Changes.wrong(compiled);
    return Recipes.of(
        changes.all().stream()
            .map(one -> new Wrong<T>(one.what(), one.place(), one.rule(), good -> made(one, good)))
            .toList(),
        changes.leftOut());
  }

  /**
   * The ways to bring a value that fits to just what is allowed: at each limit, optional fields left out,
   * each of the values that are named, letters from elsewhere.
   *
   * @param <T> what the good value is
   * @param type the same
   * @return the ways, for samples
   * @throws IllegalArgumentException if no value can be made that fits
   */
  public <T> Recipes<Edge<T>> edges(Class<T> type) {
    Needed.of(type, "edges(type): type");
    Changes changes = Changes.edges(compiled);
    return Recipes.of(
        changes.all().stream()
            .map(one -> new Edge<T>(one.what(), one.place(), one.rule(), good -> made(one, good)))
            .toList(),
        changes.leftOut());
  }

  private Json made(Change change, Json good) {
    return Json.of(change.in(Trees.of(good), compiled));
  }

  /**
   * A value that fits, made from nothing: every field that may be there is there, as far as that goes.
   *
   * @param fresh gives what is new in it
   * @return the value
   * @throws IllegalArgumentException if none can be made
   */
  public Json example(Fresh fresh) {
    Needed.of(fresh, "example(fresh): fresh");
    return Examples.of(compiled.view(), fresh)
        .map(Json::of)
        .orElseThrow(() -> new IllegalArgumentException(
            "no value could be made that fits " + compiled.where() + "; give it an example"));
  }

  /**
   * Whether a value fits.
   *
   * @param value the value
   * @return true if it does; false also if that could not be found out in time
   */
  public boolean accepts(Json value) {
    return compiled.accepts(Trees.of(value));
  }

  /**
   * The outcome as data, in a form that the specification defines (2020-12 core, section 12.4).
   *
   * @param form which one
   * @param value the value to judge
   * @return the output
   */
  public Json output(OutputForm form, Json value) {
    return Json.of(compiled.output(form, Trees.of(value)));
  }

  /**
   * The schema itself.
   *
   * @return its value
   */
  public Json json() {
    return Json.of(compiled.json());
  }

  @Override
  public String words() {
    return "a value that fits " + compiled.where();
  }

  @Override
  public List<Finding> differences(Location where, Json value) {
    JsonNode node = Trees.of(value);
    return GatheredValues.isNothing(node)
        ? GatheredValues.nothing(where, words())
        : compiled.findings(where, node);
  }
}
