package org.oddlantern.schema.internal;

import java.util.List;
import org.oddlantern.schema.OutputForm;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The forms of output that the specification defines (2020-12 core, section 12.4). */
final class Outputs {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

  private Outputs() {}

  static ObjectNode of(OutputForm form, Rule root, List<Violation> violations, boolean valid) {
    ObjectNode output = MAKE.objectNode().put("valid", valid);
    if (form == OutputForm.FLAG) {
      return output;
    }
    if (form == OutputForm.DETAILED) {
      output.put("keywordLocation", "");
      output.put("absoluteKeywordLocation", root.site().absolute(""));
      output.put("instanceLocation", "");
    }
    if (!valid) {
      ArrayNode errors = output.putArray("errors");
      for (Violation violation : violations) {
        if (form == OutputForm.BASIC) {
          addFlat(violation, errors);
        } else {
          errors.add(nested(violation));
        }
      }
    }
    return output;
  }

  private static void addFlat(Violation violation, ArrayNode errors) {
    if (!(violation.keyword() instanceof Choices.Branch)) {
      errors.add(unit(violation));
    }
    violation.inside().forEach(inside -> addFlat(inside, errors));
  }

  private static ObjectNode nested(Violation violation) {
    ObjectNode unit = unit(violation);
    if (!violation.inside().isEmpty()) {
      unit.remove("error");
      ArrayNode errors = unit.putArray("errors");
      violation.inside().forEach(inside -> errors.add(nested(inside)));
    }
    return unit;
  }

  private static ObjectNode unit(Violation violation) {
    Spot spot = violation.spot();
    Keyword keyword = violation.keyword();
    boolean branch = keyword instanceof Choices.Branch;
    String name = branch ? "" : keyword.name();
    boolean whole = name.isEmpty() || spot.way().endsWith("/" + name);
    return MAKE.objectNode()
        .put("valid", false)
        .put("keywordLocation", spot.way() + (whole ? "" : "/" + Pointers.escape(name)))
        .put("absoluteKeywordLocation", spot.subschema().site().absolute(name))
        .put("instanceLocation", spot.pointer())
        .put(
            "error",
            "wanted " + keyword.wanted(spot.value()) + ", got " + keyword.got(spot.value()));
  }
}
