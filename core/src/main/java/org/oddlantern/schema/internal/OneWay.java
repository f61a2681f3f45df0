package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** {@code readOnly} where a request is judged, {@code writeOnly} where a reply is. */
final class OneWay extends Keyword {

  private final List<String> names;

  OneWay(Side side, List<String> names) {
    super(side.mark(), Kind.OBJECT);
    this.names = List.copyOf(names);
  }

  @Override
  boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
    for (String name : names) {
      if (value.get(name) != null) {
        return false;
      }
    }
    return true;
  }

  @Override
  void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
    for (String name : names) {
      JsonNode member = spot.value().get(name);
      if (member != null) {
        out.add(spot.at(name, member).violation(Surplus.field(name(), name)));
      }
    }
  }

  @Override
  String wanted() {
    return "none of the fields " + String.join(", ", names);
  }

  /** The fields of an object that do not travel that way. */
  record Names(SchemaReading reading, String mark) {

    private static final int DEEPEST = 20;

    /** Those that a schema itself names. */
    List<String> in(Site site) {
      List<String> names = new ArrayList<>();
      for (Map.Entry<String, JsonNode> one : site.schema().path("properties").properties()) {
        if (isMarked(site, one.getValue())) {
          names.add(one.getKey());
        }
      }
      return names;
    }

    /** Those that any schema names which is asked about the same object: what they require is not. */
    Set<String> around(Site site) {
      Site whole = site;
      while (whole.pointer().matches("(?s).*/allOf/\\d+")) {
        String pointer = whole.pointer();
        String above = pointer.substring(0, pointer.lastIndexOf('/', pointer.lastIndexOf('/') - 1));
        whole = whole.document().site(above, whole.resource(), whole.document().at(above));
      }
      Set<String> names = new HashSet<>();
      collect(whole, names, 0);
      return names;
    }

    private void collect(Site site, Set<String> names, int depth) {
      if (depth < DEEPEST) {
        names.addAll(in(site));
        Site other = target(site, site.schema());
        if (other != null) {
          collect(other, names, depth + 1);
        }
        JsonNode all = site.schema().path("allOf");
        for (int i = 0; i < all.size(); i++) {
          collect(site.at(all.get(i), "allOf", i), names, depth + 1);
        }
      }
    }

    private boolean isMarked(Site around, JsonNode schema) {
      JsonNode own = schema.path(mark);
      if (own.isBoolean()) {
        return own.booleanValue();
      }
      Site target = target(around, schema);
      return target != null && target.schema().path(mark).asBoolean(false);
    }

    private @Nullable Site target(Site from, JsonNode schema) {
      JsonNode ref = schema.path("$ref");
      return ref.isString() ? reading.target(from, ref.stringValue()) : null;
    }
  }
}
