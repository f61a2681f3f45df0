package org.oddlantern.http;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.EvidenceListener;
import org.oddlantern.evidence.internal.Look;
import org.oddlantern.evidence.internal.LookedAt;
import org.oddlantern.json.Finding;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The replies to calls sent at once. An error status that nobody looked at is due at the end of the case. */
final class RepliesAtOnce extends LookedAt {

  private final JsonNode tree;
  private boolean owed;
  private volatile boolean statusSeen;

  private RepliesAtOnce(Look look, JsonNode tree, EvidenceListener recorder) {
    super(look, tree, recorder);
    this.tree = tree;
  }

  static RepliesAtOnce of(Look look, JsonNode tree, EvidenceListener recorder) {
    RepliesAtOnce replies = new RepliesAtOnce(look, tree, recorder);
    replies.owed = recorder.owes(look, replies::unseen);
    return replies;
  }

  /** Checks of all there is do not count, like those of a reply's body. */
  @Override
  public void lookedAt(String path) {
    statusSeen |= path.contains("status");
  }

  @Override
  protected List<Verdict> dueNow() {
    return owed ? List.of() : unseen();
  }

  private List<Verdict> unseen() {
    String bad = StreamSupport.stream(tree.spliterator(), false)
        .map(reply -> reply.path("status"))
        .filter(status -> status.isNull() || status.asInt() >= 400)
        .map(status -> status.isNull() ? "no reply" : status.asString())
        .collect(Collectors.joining(", "));
    if (statusSeen || bad.isEmpty()) {
      return List.of();
    }
    statusSeen = true;
    return List.of(new Verdict(
        "no error status unless the case asks for it",
        false,
        List.of(
            Finding.of("$[*].status", "statuses below 400, since no check asked for others", bad)
                .hint("if they are what you want, say so: at(\"$[*].status\", items(...))"))));
  }
}
