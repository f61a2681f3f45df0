package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.Asked;
import org.oddlantern.evidence.internal.Look;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.UnseenStatus;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.internal.mask.Masker;

/** Something asked, and what was asked of its answer; guarded by the log that it belongs to. */
final class LogEntry {
  final Asked asked;
  final List<Verdict> verdicts = new ArrayList<>();
  final Owed owed = new Owed();
  final List<Verdict> failed = new ArrayList<>(0);
  final List<Verdict> elsewhere = new ArrayList<>(0);
  boolean undescribed;

  LogEntry(Asked asked) {
    this.asked = asked;
  }

  /** What a service answered; null if it did not, or if no service was asked. */
  @Nullable
  WireReply reply() {
    return asked instanceof Exchange exchange ? exchange.reply() : null;
  }

  /** How long the body is that came; 0 if none did. */
  int bodyBytes() {
    WireReply reply = reply();
    return reply == null ? 0 : reply.body().length;
  }

  /** Whether there is an answer, which may owe something. */
  boolean isAnswered() {
    return reply() != null || asked instanceof Look;
  }

  /** Whether a service asked it of a stand-in. */
  boolean isVisit() {
    return asked instanceof Exchange exchange && exchange.origin().visit();
  }

  /** Whether it is an answer that came to the case itself: no stop on the way, nothing fetched for it. */
  boolean counts() {
    return asked instanceof Look look
        ? look.fault() == null
        : reply() != null && !isVisit() && owed.wasOwed();
  }

  /** Whether nothing was found wrong that the case may not know of. */
  boolean isFine() {
    return owed.verdicts().isEmpty() && failed.isEmpty() && elsewhere.isEmpty();
  }

  String title() {
    WireReply reply = reply();
    return asked.line() + (reply == null ? "" : ", answered " + reply.statusLine());
  }

  /** RFC 9110, sections 15.5.5 and 15.5.11. */
  boolean isGone() {
    WireReply reply = reply();
    return reply != null && (reply.status() == 404 || reply.status() == 410);
  }

  /**
   * Takes what came of holding it against a description.
   *
   * @param verdict the verdict; null if there is nothing to say
   * @return how many checks that were
   */
  int held(@Nullable Verdict verdict) {
    if (verdict == null) {
      return 0;
    }
    undescribed = !verdict.holds();
    if (verdict.warning()) {
      return 0; // told once for all cases, where their calls are held against it together
    }
    verdicts.add(0, verdict);
    owed.answered(List.of(verdict));
    return 1;
  }

  /** What does not hold and the case does not know, in sentences. */
  List<String> broken(boolean goneIsFine, boolean passed, Masker masker) {
    List<String> broken = new ArrayList<>();
    for (Verdict verdict : owed.verdicts()) {
      if (!verdict.holds() && isAnswered() && !(goneIsFine && isGone())) {
        broken.add(title() + ": " + UnseenStatus.words(verdict));
      }
    }
    if (!elsewhere.isEmpty()) {
      String how = isVisit() ? "the service asked: " : "in another thread: ";
      broken.add(told(how, elsewhere, masker));
    }
    if (passed && !failed.isEmpty()) {
      broken.add(told("a failure that the case caught: ", failed, masker));
    }
    return broken;
  }

  private String told(String how, List<Verdict> wrong, Masker masker) {
    return new CheckFailed(how + title(), wrong).message(masker::verdict);
  }

  /** The same without the body that was answered. */
  LogEntry withoutBody() {
    WireReply reply = reply();
    if (reply == null || !(asked instanceof Exchange exchange)) {
      return this;
    }
    LogEntry other = new LogEntry(new Exchange(
        exchange.origin(),
        exchange.request(),
        new WireReply(reply.status(), reply.reason(), reply.headers(), new byte[0]),
        exchange.sentAt(),
        exchange.took(),
        exchange.fault(),
        exchange.log()));
    other.verdicts.addAll(verdicts);
    return other;
  }

  /** Most of the time nothing, millions of times. */
  static List<Verdict> failed(List<Verdict> made) {
    List<Verdict> failed = new ArrayList<>(0);
    for (Verdict one : made) {
      if (!one.warning() && !one.holds()) {
        failed.add(one);
      }
    }
    return failed;
  }

  /** Whether there is a warning that does not hold. */
  boolean warns() {
    return warnings() > 0;
  }

  /** How many warnings do not hold. */
  long warnings() {
    return verdicts.stream().filter(one -> one.warning() && !one.holds()).count();
  }
}
