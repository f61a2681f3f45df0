package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.ValueParameter;

/**
 * A plan in the DOT language of Graphviz: a box for each case, an ellipse for what is supplied, an arrow
 * for each value from its maker to who takes it.
 */
final class PlanDrawing {

  private final Plan plan;

  PlanDrawing(Plan plan) {
    this.plan = plan;
  }

  List<String> lines() {
    List<ValueFlow.Value> values = new ValueFlow(plan).values();
    Map<String, Set<String>> boxes = new LinkedHashMap<>();
    Set<String> cases = new LinkedHashSet<>();
    plan.cases().forEach(one -> cases.add(ValueFlow.name(one.definition())));
    cases.forEach(name -> box(boxes, name));
    values.forEach(value -> {
      box(boxes, value.maker());
      value.users().forEach(user -> box(boxes, user.name()));
    });
    List<String> lines = new ArrayList<>();
    lines.add("digraph plan {");
    lines.add("  rankdir=LR;");
    lines.add("  node [shape=box, fontname=\"sans-serif\", fontsize=11];");
    lines.add("  edge [fontname=\"sans-serif\", fontsize=10];");
    int cluster = 0;
    for (Map.Entry<String, Set<String>> suite : boxes.entrySet()) {
      lines.add("  subgraph cluster_" + ++cluster + " {");
      lines.add("    label=" + quoted(suite.getKey().replace('$', '.')) + ";");
      for (String name : suite.getValue()) {
        lines.add("    " + quoted(name) + " [label=" + quoted(name.replaceAll("^[^#]*#", ""))
            + (cases.contains(name) ? "" : ", shape=ellipse") + "];");
      }
      lines.add("  }");
    }
    for (ValueFlow.Value value : values) {
      for (ValueFlow.User user : value.users()) {
        lines.add("  " + quoted(value.maker()) + " -> " + quoted(user.name()) + " [label="
            + quoted(value.type() + words(user.use())) + line(user.use()) + "];");
      }
    }
    lines.add("}");
    return lines;
  }

  private static void box(Map<String, Set<String>> boxes, String name) {
    boxes
        .computeIfAbsent(name.replaceAll("#.*", ""), key -> new LinkedHashSet<>())
        .add(name);
  }

  private static String words(ValueParameter.Use use) {
    return switch (use) {
      case READS -> "";
      case CHANGES -> "\nchanged";
      case USES_UP -> "\nused up";
    };
  }

  private static String line(ValueParameter.Use use) {
    return switch (use) {
      case READS -> "";
      case CHANGES -> ", style=bold";
      case USES_UP -> ", style=dashed";
    };
  }

  /** A quoted string of the DOT language, where a line break is {@code \n}. */
  private static String quoted(String text) {
    return '"' + text.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", "\\n") + '"';
  }
}
