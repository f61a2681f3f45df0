package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.json.internal.NearestMatch;

/** What {@code --fail-on} asks: words that turn an otherwise green run into exit status 1. */
final class Strictness implements RunListener {

  private static final List<String> KNOWN =
      List.of("warned", "unproven", "fixed", "flaky", "skipped", "pending", "undescribed");

  private final Set<String> words;
  private final Map<String, Integer> counts = new LinkedHashMap<>();

  /** By the words of the command line. */
  Strictness(List<String> words) {
    for (String word : words) {
      if (!KNOWN.contains(word)) {
        String near = NearestMatch.hint(word, KNOWN);
        throw new Misuse("--fail-on does not know '%s'; %sit takes %s"
            .formatted(word, near.isEmpty() ? "" : near + " ", String.join(", ", KNOWN)));
      }
    }
    this.words = Set.copyOf(words);
  }

  @Override
  public void hear(RunEvent event) {
    if (event instanceof RunEvent.CaseFinished finished) {
      count(finished.record().outcome().word());
      finished.record().marks().stream().map(Mark::word).forEach(this::count);
    }
  }

  /** What the run is to fail on, in sentences; empty if there is nothing. */
  List<String> found() {
    List<String> found = new ArrayList<>();
    counts.forEach((word, count) -> found.add(
        String.format(Locale.ROOT, "%d %s, and --fail-on %s was asked", count, word, word)));
    return found;
  }

  private void count(String word) {
    if (words.contains(word)) {
      counts.merge(word, 1, Integer::sum);
    }
  }
}
