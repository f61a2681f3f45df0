package org.oddlantern.http;

import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.JudgedEvidence;
import org.oddlantern.json.Json;
import org.oddlantern.json.internal.JsonMapping;

/** Makes the checks on a reply and reads from it. */
final class ReplyJudging extends JudgedEvidence {

  private final Reply reply;
  private final Attention attention;
  private volatile boolean dueAtOnce;

  ReplyJudging(Reply reply, Attention attention, boolean dueAtOnce) {
    this.reply = reply;
    this.attention = attention;
    this.dueAtOnce = dueAtOnce;
  }

  @Override
  protected Evidence seen() {
    return reply;
  }

  @Override
  public String title() {
    return reply.title();
  }

  @Override
  public String summary() {
    return reply.summary();
  }

  @Override
  public Headers headers() {
    return reply.headers();
  }

  @Override
  public byte[] bytes() {
    return reply.bytes();
  }

  @Override
  public String text() {
    return reply.text();
  }

  @Override
  public Json json() {
    return reply.json();
  }

  @Override
  public void lookedAt(String path) {
    reply.lookedAt(path);
  }

  @Override
  protected JudgedEvidence aside() {
    return reply.aside(attention.aside());
  }

  @Override
  protected void lookedAtAside(JudgedEvidence other) {
    if (other instanceof ReplyJudging aside) {
      attention.take(aside.attention);
    }
  }

  @Override
  protected JsonMapping hearingMapping() {
    return reply.hearingMapping();
  }

  @Override
  protected boolean isAgain() {
    return reply.isAgain();
  }

  @Override
  protected void judged(List<Verdict> verdicts) {
    reply.judged(verdicts);
  }

  @Override
  protected void checked(Check check) {
    attention.checked(check);
  }

  @Override
  protected List<Verdict> dueNow() {
    if (!dueAtOnce || !attention.hasStanding()) {
      return List.of();
    }
    dueAtOnce = false;
    return attention.get();
  }

  @Override
  protected List<Verdict> toldFirst() {
    return attention.isUnseenError() ? List.of(reply.unseenStatus()) : List.of();
  }
}
