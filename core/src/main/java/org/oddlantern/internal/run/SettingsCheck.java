package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.internal.EnvironmentSettings;
import org.oddlantern.config.internal.SettingsSources;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.SecretListener;
import org.oddlantern.internal.described.KnownDescriptions;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.plan.PlanProblem;
import org.oddlantern.internal.plan.PlanRefused;
import org.oddlantern.internal.plan.PlannedCase;

/** Finds out before anything is sent whether services and databases can be made, and learns their secrets. */
record SettingsCheck(
    RunOrder order, Environments environments, Masker masker, KnownDescriptions descriptions) {

  /**
   * Makes each once.
   *
   * @throws SettingsProblem with everything that is wrong
   * @throws PlanRefused if a sample is known by a secret
   */
  void done() {
    if (order.plan().cases().isEmpty()) {
      return;
    }
    Resources files = new Resources(order.loader(), order.settings().folder());
    SecretListener learning = masker::learn;
    Set<String> problems = new LinkedHashSet<>();
    try (CurrentCase.Binding binding = CurrentCase.bind(List.of(files, learning, descriptions))) {
      environments.all().forEach(one -> check(one, problems));
    }
    if (!problems.isEmpty()) {
      throw new SettingsProblem(String.join("\n", problems));
    }
    refuseSecretKeys();
  }

  private void check(EnvironmentSettings environment, Set<String> problems) {
    SettingsSources sources = order.settings().sources(order.variables());
    List<Runnable> all = new ArrayList<>();
    environment.services().values().forEach(one -> {
      all.add(() -> one.service(sources));
      all.add(() -> one.readiness(sources));
    });
    environment.databases().values().forEach(one -> all.add(() -> one.database(sources)));
    for (Runnable one : all) {
      try {
        one.run();
      } catch (SettingsProblem e) {
        problems.add(String.valueOf(e.getMessage()));
      }
    }
  }

  private void refuseSecretKeys() {
    List<PlanProblem> problems = order.plan().cases().stream()
        .filter(one -> masker.isLate(one.definition().id().sample()))
        .map(SettingsCheck::secretKey)
        .toList();
    if (!problems.isEmpty()) {
      throw new PlanRefused(problems);
    }
  }

  private static PlanProblem secretKey(PlannedCase one) {
    return new PlanProblem(
        one.definition().origin().brief() + " (" + one.definition().position() + ")",
        "one of its samples is known by a secret of the settings, which would be in every report; let another component of the record come first, or hold the secret in a Secret");
  }
}
