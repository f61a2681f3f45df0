package org.oddlantern.evidence.internal;

import java.util.List;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.json.Json;
import org.oddlantern.json.Secret;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What was seen at a look, judged for the case that looked. */
public class LookedAt extends JudgedEvidence {

  private final Look look;
  private final JsonNode tree;
  private final EvidenceListener recorder;

  /**
   * What was seen.
   *
   * @param look the look, of which the recorder has heard
   * @param tree what was seen
   * @param recorder hears what is asked of it
   */
  protected LookedAt(Look look, JsonNode tree, EvidenceListener recorder) {
    this.look = look;
    this.tree = tree;
    this.recorder = recorder;
  }

  @Override
  public final String title() {
    return look.title();
  }

  @Override
  public String summary() {
    return Words.of(tree);
  }

  @Override
  public final Json json() {
    return Json.of(tree);
  }

  @Override
  protected final boolean isAgain() {
    return recorder.answering().isAgain();
  }

  @Override
  protected final void judged(List<Verdict> verdicts) {
    recorder.judged(look, verdicts);
  }

  @Override
  protected final JsonMapping hearingMapping() {
    return mapping(recorder);
  }

  /** The standard mapping, telling a case of the secrets it reads and writes. */
  protected static JsonMapping mapping(EvidenceListener recorder) {
    return JsonMapping.standard().hearing(secret -> recorder.secret(Secret.of(secret)));
  }
}
