package org.oddlantern.http.internal;

import java.util.List;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.json.Finding;

/** The verdict on an error status that no check asked about. */
public final class UnseenStatus {

  private static final String CHECK = "no error status unless the case asks for it";

  private UnseenStatus() {}

  /**
   * The verdict.
   *
   * @param reply a reply whose status nobody looked at
   * @return a verdict that does not hold
   */
  public static Verdict verdict(WireReply reply) {
    return new Verdict(
        CHECK,
        false,
        List.of(Finding.of(
                "status",
                "a status below 400, since no check asked for another",
                reply.statusLine())
            .hint("if it is the one you want, say so: status(" + reply.status() + ")")));
  }

  /**
   * How a verdict that was due at the end of a case is told after its exchange.
   *
   * @param verdict a verdict that does not hold
   * @return words to stand after the reply
   */
  public static String words(Verdict verdict) {
    return verdict.check().equals(CHECK)
        ? "an error status that no check asked for"
        : verdict.check() + " does not hold";
  }
}
