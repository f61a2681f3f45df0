package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.internal.EnvironmentSettings;
import org.oddlantern.config.internal.SettingsValue;
import org.oddlantern.internal.described.DescribedService;
import org.oddlantern.internal.plan.Maker;
import org.oddlantern.internal.plan.Planned;

/** The environments of a run: the chosen one, and those that suites are pinned to. */
final class Environments {

  private final EnvironmentSettings chosen;
  private final Map<String, EnvironmentSettings> pinned = new LinkedHashMap<>();

  Environments(RunOrder order) {
    chosen = order.environment();
    for (Planned one : order.plan().nodes()) {
      Maker maker = one.bound().maker();
      if (!maker.environment().isEmpty() && !pinned.containsKey(maker.environment())) {
        pinned.put(maker.environment(), found(order, maker));
      }
    }
  }

  private static EnvironmentSettings found(RunOrder order, Maker maker) {
    try {
      return order.settings().environment(maker.environment());
    } catch (SettingsProblem e) {
      throw new SettingsProblem(
          maker.place() + " is pinned with @OnEnvironment: " + e.getMessage());
    }
  }

  /** The environment of that name; the chosen one for an empty name. */
  EnvironmentSettings named(String name) {
    return name.isEmpty() ? chosen : pinned.getOrDefault(name, chosen);
  }

  /** Every environment that a case runs on. */
  Collection<EnvironmentSettings> all() {
    List<EnvironmentSettings> all = new ArrayList<>(List.of(chosen));
    pinned.values().stream().filter(one -> !all.contains(one)).forEach(all::add);
    return all;
  }

  /** The services of which the settings say in which file they are described. */
  List<DescribedService> described(RunOrder order) {
    List<DescribedService> described = new ArrayList<>();
    for (EnvironmentSettings environment : all()) {
      environment.services().forEach((name, service) -> {
        String file = service.descriptionFile(order.settings().sources(order.variables()));
        if (!file.isEmpty()) {
          described.add(new DescribedService(
              name, service.address(order.settings().sources(order.variables())), file, () -> ""));
        }
      });
    }
    return described;
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
