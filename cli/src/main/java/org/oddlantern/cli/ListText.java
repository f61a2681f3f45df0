package org.oddlantern.cli;

import java.io.PrintStream;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.CaseMarks;
import org.oddlantern.internal.plan.Maker;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.Planned;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.plan.PlannedSupply;
import org.oddlantern.internal.plan.SuiteName;
import org.oddlantern.internal.plan.ValueParameter;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.json.internal.Words;

/** Prints suites and cases, and what each takes and gives. */
record ListText(PrintStream out) {

  private static final String MARGIN = " ".repeat(20);

  void print(Plan plan) {
    plan.warnings().forEach(warning -> out.println("warning   " + warning));
    String suite = "";
    for (Planned node : plan.nodes()) {
      Maker maker = node.bound().maker();
      if (!suite.equals(maker.suite().getName())) {
        out.println((suite.isEmpty() ? "" : "\n") + SuiteName.of(maker.suite()));
        suite = maker.suite().getName();
      }
      if (node instanceof PlannedCase one) {
        print(one.definition(), one.needed());
      } else if (node instanceof PlannedSupply supply) {
        out.println("  %-16s  %s"
            .formatted(maker.method().getName(), supply.definition().title()));
        out.println(MARGIN + "supplied once, shared by all who take it");
        flow(maker);
      }
    }
    out.println("\n" + Amounts.of(plan.cases().size(), "case") + " in "
        + Amounts.of(plan.suites(), "suite"));
  }

  private void print(CaseDefinition definition, boolean needed) {
    String sample = definition.id().sample();
    out.println("  %-16s  %s"
        .formatted(
            definition.id().method() + (sample.isEmpty() ? "" : "[" + sample + "]"),
            definition.title()));
    if (needed) {
      out.println(MARGIN + "not chosen, but needed by what is");
    }
    marks(definition.marks()).forEach(line -> out.println(MARGIN + line));
    flow(definition);
  }

  private void flow(Maker maker) {
    if (!maker.parameters().isEmpty()) {
      out.println(MARGIN + "takes "
          + maker.parameters().stream().map(ListText::words).collect(Collectors.joining(", ")));
    }
    Type handsOn = maker.handsOn();
    if (handsOn != null) {
      out.println(MARGIN + "gives " + Words.of(handsOn));
    }
  }

  private static List<String> marks(CaseMarks marks) {
    List<String> lines = new ArrayList<>();
    if (!marks.tags().isEmpty()) {
      lines.add("tags " + String.join(", ", marks.tags()));
    }
    if (!marks.skipped().isEmpty()) {
      lines.add("skipped: " + marks.skipped()
          + (marks.until() == null ? "" : ", until " + marks.until()));
    }
    if (marks.pending()) {
      lines.add("pending");
    }
    if (!marks.knownFault().isEmpty()) {
      lines.add("known fault " + marks.knownFault());
    }
    if (marks.tries() > 1) {
      lines.add("tried up to " + marks.tries() + " times");
    }
    if (marks.alone()) {
      lines.add("runs alone");
    }
    if (!marks.occupies().isEmpty()) {
      lines.add("occupies " + String.join(", ", marks.occupies()));
    }
    return lines;
  }

  private static String words(ValueParameter parameter) {
    String type = Words.of(parameter.type());
    return switch (parameter.use()) {
      case READS -> type;
      case CHANGES -> type + " and changes it";
      case USES_UP -> type + " and uses it up";
    };
  }
}
