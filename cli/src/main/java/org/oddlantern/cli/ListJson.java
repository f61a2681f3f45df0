package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;

/** The cases of a plan as JSON, for other programs. */
record ListJson(Planner planner, Plan plan) {

  String text() {
    List<Map<String, Object>> cases =
        plan.cases().stream().map(PlannedCase::definition).map(this::told).toList();
    return JsonMapping.standard().write(Map.of("cases", cases));
  }

  private Map<String, Object> told(CaseDefinition one) {
    Map<String, Object> told = new LinkedHashMap<>();
    told.put("id", one.id().toString());
    told.put("suite", one.suite().getName());
    told.put("title", one.title());
    told.put("place", one.position().toString());
    told.put("tags", one.marks().tags());
    told.put(
        "takes",
        one.parameters().stream().map(parameter -> Words.of(parameter.type())).toList());
    told.put("gives", one.handsOn() == null ? List.of() : List.of(Words.of(one.handsOn())));
    told.put("steps", planner.steps(one));
    List<String> state = new ArrayList<>();
    if (one.marks().pending()) {
      state.add("pending");
    }
    if (!one.marks().skipped().isEmpty()) {
      state.add("skipped: " + one.marks().skipped());
    }
    if (!one.marks().knownFault().isEmpty()) {
      state.add("known fault " + one.marks().knownFault());
    }
    told.put("state", state);
    return told;
  }
}
