package org.oddlantern.http;

import java.util.List;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.JudgedEvidence;
import org.oddlantern.json.Json;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What was taken from a reply, looked at by itself; what is asked of it is with the reply. */
final class DerivedEvidence extends JudgedEvidence {

  private final Reply reply;
  private final String what;
  private final JsonNode tree;

  DerivedEvidence(Reply reply, String what, JsonNode tree) {
    this.reply = reply;
    this.what = what;
    this.tree = tree;
  }

  @Override
  public String title() {
    return what + " of " + reply.title();
  }

  @Override
  public String summary() {
    return what + ": " + Words.withKind(tree);
  }

  @Override
  public Json json() {
    return Json.of(tree);
  }

  @Override
  protected void judged(List<Verdict> verdicts) {
    reply.judged(verdicts.stream()
        .map(one ->
            new Verdict(what + ": " + one.check(), one.warning(), one.sent(), one.findings()))
        .toList());
  }

  @Override
  protected JsonMapping hearingMapping() {
    return reply.hearingMapping();
  }
}
