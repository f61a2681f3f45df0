package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.schema.OutputForm;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** The forms of output that the specification defines (2020-12 core, section 12.4). */
final class Outputs {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

  private Outputs() {}

  static ObjectNode of(OutputForm form, List<Violation> violations, boolean valid) {
    ObjectNode output = MAKE.objectNode().put("valid", valid);
    if (form == OutputForm.FLAG) {
      return output;
    }
    if (!valid) {
      List<ObjectNode> units = new ArrayList<>();
      violations.forEach(violation -> collect(violation, form, units));
      if (form == OutputForm.BASIC) {
        output.putArray("errors").addAll(units);
      } else {
        output.setAll(new DetailedOutput(units).of(""));
      }
    }
    return output;
  }

  /** Where nobody could find out. */
  static ObjectNode undecided(OutputForm form, String reason) {
    ObjectNode output = MAKE.objectNode().put("valid", false);
    if (form != OutputForm.FLAG) {
      output
          .put("keywordLocation", "")
          .put("instanceLocation", "")
          .put("error", "undecided: " + reason);
    }
    return output;
  }

  /** A choice is a unit of its own in the flat list; where units are nested, those below tell it. */
  private static void collect(Violation violation, OutputForm form, List<ObjectNode> units) {
    boolean isLeaf = violation.inside().isEmpty();
    boolean isChoice = violation.keyword() instanceof Choices.Branches;
    if (isLeaf && !(violation.keyword() instanceof Choices.Branch)
        || isChoice && form == OutputForm.BASIC) {
      units.add(unit(violation));
    }
    violation.inside().forEach(inside -> collect(inside, form, units));
  }

  private static ObjectNode unit(Violation violation) {
    Spot spot = violation.spot();
    Keyword keyword = violation.keyword();
    String name = keyword.name();
    Steps way = spot.way();
    boolean whole = name.isEmpty() || keyword instanceof Surplus && way.last().equals(name);
    String place = (whole ? way : way.then(name)).pointer();
    return MAKE.objectNode()
        .put("valid", false)
        .put("keywordLocation", place)
        .put("absoluteKeywordLocation", spot.subschema().site().absolute(name))
        .put("instanceLocation", spot.inside().pointer())
        .put("error", "wanted " + keyword.wanted() + ", got " + keyword.got(spot.value()));
  }
}
