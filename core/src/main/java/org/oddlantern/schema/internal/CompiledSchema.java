package org.oddlantern.schema.internal;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.schema.OutputForm;
import org.oddlantern.schema.internal.text.GivenUp;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** A schema that has been read, ready to judge. Immutable and thread-safe. */
public final class CompiledSchema {

  private final Rule root;
  private volatile @Nullable SchemaView view;

  CompiledSchema(Rule root) {
    this.root = root;
  }

  /**
   * Reads a schema and all it refers to.
   *
   * @param document where it stands
   * @param pointer the place in it, a JSON Pointer
   * @param rules how to read it
   * @throws org.oddlantern.schema.SchemaProblem if it cannot be used
   */
  public static CompiledSchema read(Document document, String pointer, ReadingRules rules) {
    return new CompiledSchema(new SchemaReading(rules).read(document, pointer));
  }

  /** The same to be looked at. */
  public SchemaView view() {
    SchemaView known = view;
    if (known == null) {
      known = SchemaView.of(root);
      view = known;
    }
    return known;
  }

  /** The schema itself. */
  public JsonNode json() {
    return root.site().schema();
  }

  /** What messages call it. */
  public String where() {
    String where = root.site().where();
    return where.endsWith("#") ? where.substring(0, where.length() - 1) : where;
  }

  /**
   * Whether a value fits.
   *
   * @throws GivenUp if that would take too long
   */
  public boolean holds(JsonNode value) {
    return DeepStack.given(() -> root.holds(value, new Evaluation(), null));
  }

  /** Everything that does not fit, for people. */
  public List<Finding> findings(Location where, JsonNode value) {
    try {
      return holds(value)
          ? List.of()
          : DeepStack.given(() -> Findings.of(where, violations(where, value)));
    } catch (GivenUp e) {
      return List.of(Finding.of(where, "a value that fits " + where(), "undecided")
          .hint(String.valueOf(e.getMessage())));
    }
  }

  /** The same as data; nothing if it fits, or that could not be found out. */
  public List<Misfit> misfits(Location where, JsonNode value) {
    try {
      return holds(value)
          ? List.of()
          : DeepStack.given(() -> Findings.misfits(where, violations(where, value)));
    } catch (GivenUp e) {
      return List.of();
    }
  }

  /** Whether a value fits; false also where that could not be found out. */
  public boolean accepts(JsonNode value) {
    try {
      return holds(value);
    } catch (GivenUp e) {
      return false;
    }
  }

  /** The outcome in one of the specification's forms. */
  public ObjectNode output(OutputForm form, JsonNode value) {
    try {
      boolean valid = holds(value);
      return DeepStack.given(() -> {
        boolean told = valid || form == OutputForm.FLAG;
        return Outputs.of(form, told ? List.of() : violations(Location.ROOT, value), valid);
      });
    } catch (GivenUp e) {
      return Outputs.undecided(form, String.valueOf(e.getMessage()));
    }
  }

  Optional<Violation> firstWrong(JsonNode value) {
    return holds(value) ? Optional.empty() : Findings.first(violations(Location.ROOT, value));
  }

  private List<Violation> violations(Location where, JsonNode value) {
    return root.explain(Spot.of(where, value), new Evaluation(), null);
  }
}
