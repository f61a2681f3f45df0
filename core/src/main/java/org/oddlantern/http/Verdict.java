package org.oddlantern.http;

import java.util.List;
import org.oddlantern.json.Finding;

/**
 * A check that was made, with its answer.
 *
 * @param check the check in words
 * @param warning whether it warns only
 * @param findings what does not hold; empty if the check holds
 */
public record Verdict(String check, boolean warning, List<Finding> findings) {

  private static final String SENT = "what was sent, ";

  /** Keeps its own copy; what is absent in a journal is empty here. */
  public Verdict {
    findings = findings == null ? List.of() : List.copyOf(findings);
  }

  /**
   * Whether the check holds.
   *
   * @return true if there are no findings
   */
  public boolean holds() {
    return findings.isEmpty();
  }

  /** The same check, made of the request as it was sent. */
  Verdict ofSent() {
    return new Verdict(
        "sent: " + check,
        warning,
        findings.stream().map(one -> placed(one, SENT + one.where())).toList());
  }

  /**
   * What does not hold in the request as it was sent.
   *
   * @return the findings, with their places in the request; empty if the check was made of the reply
   */
  public List<Finding> inRequest() {
    return findings.stream()
        .filter(Verdict::isOfSent)
        .map(one -> placed(one, one.where().substring(SENT.length())))
        .toList();
  }

  /**
   * What does not hold in the reply.
   *
   * @return the findings; empty if the check was made of the request
   */
  public List<Finding> inReply() {
    return findings.stream().filter(one -> !isOfSent(one)).toList();
  }

  private static boolean isOfSent(Finding finding) {
    return finding.where().startsWith(SENT);
  }

  private static Finding placed(Finding one, String where) {
    return new Finding(where, one.item(), one.wanted(), one.got(), one.hints(), one.places());
  }
}
