package org.oddlantern.run;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.EnvironmentSettings;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.SettingsValue;
import org.oddlantern.plan.CaseDefinition;
import org.oddlantern.plan.PlannedCase;

/** The environments of a run: the chosen one, and those that suites are pinned to. */
final class Environments {

  private final EnvironmentSettings chosen;
  private final Map<String, EnvironmentSettings> pinned = new LinkedHashMap<>();

  Environments(RunOrder order) {
    chosen = order.environment();
    for (PlannedCase one : order.plan().cases()) {
      CaseDefinition definition = one.definition();
      if (!definition.environment().isEmpty() && !pinned.containsKey(definition.environment())) {
        pinned.put(definition.environment(), found(order, definition));
      }
    }
  }

  private static EnvironmentSettings found(RunOrder order, CaseDefinition definition) {
    try {
      return order.settings().environment(definition.environment());
    } catch (SettingsProblem e) {
      throw new SettingsProblem(definition.place() + " is pinned with @Against: " + e.getMessage());
    }
  }

  EnvironmentSettings of(CaseDefinition definition) {
    return definition.environment().isEmpty()
        ? chosen
        : pinned.getOrDefault(definition.environment(), chosen);
  }

  /** Every environment that a case runs on. */
  Collection<EnvironmentSettings> all() {
    List<EnvironmentSettings> all = new ArrayList<>(List.of(chosen));
    pinned.values().stream().filter(one -> !all.contains(one)).forEach(all::add);
    return all;
  }

  /** What deserves a look in them. */
  List<String> warnings() {
    List<String> warnings = new ArrayList<>();
    for (EnvironmentSettings environment : all()) {
      environment.services().forEach((name, service) -> {
        SettingsValue trust = service.value("trust");
        if (trust != null && trust.text().equals("any")) {
          warnings.add("the service '%s' is believed whatever certificate it shows (%s)"
              .formatted(name, trust.place()));
        }
      });
    }
    return warnings;
  }
}
