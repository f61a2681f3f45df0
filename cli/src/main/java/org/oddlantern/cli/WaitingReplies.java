package org.oddlantern.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.oddlantern.evidence.internal.AgreedForm;
import org.oddlantern.internal.AgreedReplies;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.AgreedRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.json.Finding;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.xml.NotXml;

/**
 * The replies of a run that are not as agreed on.
 *
 * @param replies those that wait
 * @param asked the files that any case asked for
 * @param cutShort how many cases did not pass
 */
record WaitingReplies(List<Waiting> replies, Set<String> asked, int cutShort) {

  /** Of some cases; of all if none is named. */
  static WaitingReplies in(Path journal, List<NamedCase> cases) {
    List<Waiting> replies = new ArrayList<>();
    Set<String> asked = new TreeSet<>();
    List<NamedCase> unknown = new ArrayList<>(cases);
    Set<String> ids = new TreeSet<>();
    int[] cutShort = {0};
    try {
      new Journal(journal).read(event -> {
        if (event instanceof RunEvent.CaseFinished finished) {
          CaseRecord one = finished.record();
          cutShort[0] += one.word().equals("passed") || one.word().equals("supplied") ? 0 : 1;
          ids.add(one.id());
          boolean chosen =
              cases.isEmpty() || cases.stream().anyMatch(each -> each.fits(one.id(), one.title()));
          unknown.removeIf(each -> each.fits(one.id(), one.title()));
          for (AgreedRecord agreed : one.agreed()) {
            asked.add(agreed.file());
            if (chosen && agreed.state() != AgreedReplies.State.SAME) {
              replies.add(waiting(journal, one, agreed));
            }
          }
        }
      });
    } catch (IOException | UncheckedIOException e) {
      throw new Misuse("the journal " + journal + " cannot be read: " + e.getMessage());
    }
    for (NamedCase one : unknown) {
      String hint = one.hint(ids.stream());
      throw new Misuse(
          "no case of that run is called " + one.name() + (hint.isEmpty() ? "" : "; " + hint));
    }
    return new WaitingReplies(replies, asked, cutShort[0]);
  }

  private static Waiting waiting(Path journal, CaseRecord one, AgreedRecord agreed) {
    try {
      if (agreed.came() == null) {
        throw new IOException("it does not say what was received for " + agreed.file());
      }
      return new Waiting(
          one.title(),
          agreed.file(),
          agreed.open().stream().map(TreePath::of).toList(),
          Files.readString(journal.resolveSibling(agreed.came())));
    } catch (IOException e) {
      throw new UncheckedIOException("what was received for " + agreed.file() + ": " + e, e);
    }
  }

  /** Those that differ alike together, new ones each by itself. */
  List<Group> groups(AgreedFolder folder) {
    Map<String, Group> groups = new LinkedHashMap<>();
    for (Waiting one : replies) {
      String before = folder.text(one.file);
      List<Finding> findings = before == null ? List.of() : one.differences(before);
      if (before != null && findings.isEmpty()) {
        continue; // it was agreed on since
      }
      String alike = before == null
          ? one.file
          : findings.stream()
              .flatMap(finding -> finding.lines().stream())
              .collect(Collectors.joining("\n"));
      groups
          .computeIfAbsent(alike, key -> new Group(before == null, findings, new ArrayList<>()))
          .replies
          .add(one);
    }
    return List.copyOf(groups.values());
  }

  /**
   * A reply that waits.
   *
   * @param title the title of its case
   * @param file where it is agreed on
   * @param open what leads to places that may differ
   * @param came what came
   */
  record Waiting(String title, String file, List<TreePath> open, String came) {

    private List<Finding> differences(String before) {
      try {
        return AgreedForm.of(file).differences(before, came, open);
      } catch (NotJson | NotXml e) {
        return List.of(Finding.of("the file " + file, "what was agreed on", e.getMessage() + ""));
      }
    }

    /** What its file is to hold. */
    String written(AgreedFolder folder) {
      String before = folder.text(file);
      try {
        return AgreedForm.of(file).written(came, before, open);
      } catch (NotJson e) {
        return AgreedForm.of(file).written(came, null, open);
      }
    }
  }

  /**
   * Replies for which one answer is enough.
   *
   * @param isNew whether nothing was agreed on
   * @param findings in what they differ
   * @param replies the replies
   */
  record Group(boolean isNew, List<Finding> findings, List<Waiting> replies) {}
}
