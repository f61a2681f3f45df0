package org.oddlantern.http;

import java.util.List;
import org.oddlantern.json.Finding;

/** The verdict on an error status that no check asked about. */
public final class UnseenStatus {

  private UnseenStatus() {}

  /**
   * The verdict.
   *
   * @param reply a reply whose status nobody looked at
   * @return a verdict that does not hold
   */
  public static Verdict verdict(WireReply reply) {
    return new Verdict(
        "no error status unless the case asks for it",
        false,
        List.of(Finding.of(
                "status",
                "a status below 400, since no check asked for another",
                reply.statusLine())
            .hint("if it is the one you want, say so: status(" + reply.status() + ")")));
  }
}
