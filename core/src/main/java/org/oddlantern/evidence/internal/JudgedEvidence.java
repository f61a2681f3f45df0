package org.oddlantern.evidence.internal;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.xml.Xml;

/** What all evidence has in common: how checks are made on it and values read from it. */
public abstract class JudgedEvidence implements Evidence {

  /** For those that extend it. */
  protected JudgedEvidence() {}

  /** Tells whoever records it what was asked. */
  protected abstract void judged(List<Verdict> verdicts);

  /** The mapping, telling the case of the secrets it reads. */
  protected abstract JsonMapping hearingMapping();

  /** What a check is given to look at: this, or what it judges for. */
  protected Evidence seen() {
    return this;
  }

  /** The case makes a check of its own. */
  protected void checked(Check check) {}

  /** The same evidence, of which nobody hears who looked at it. */
  protected JudgedEvidence aside() {
    return this;
  }

  /** What was looked at aside counts after all. */
  protected void lookedAtAside(JudgedEvidence other) {}

  /** Verdicts that are due with the first checks. */
  protected List<Verdict> dueNow() {
    return List.of();
  }

  /** Whether the first check that does not hold tells enough, since nobody reads what is told. */
  protected boolean isAgain() {
    return false;
  }

  /** What is told before the checks that failed, since it is the likely cause. */
  protected List<Verdict> toldFirst() {
    return List.of();
  }

  /** None, unless it is something that came over HTTP. */
  @Override
  public Headers headers() {
    return Headers.NONE;
  }

  /** The tree as JSON text, unless it came as text. */
  @Override
  public String text() {
    return JsonMapping.standard().write(json());
  }

  @Override
  public byte[] bytes() {
    return text().getBytes(StandardCharsets.UTF_8);
  }

  @Override
  public Evidence must(Check first, Check... more) {
    Needed.of(first, "must(first, more): first");
    Needed.of(more, "must(first, more): more");
    List<Verdict> verdicts = made(first, more);
    verdicts.addAll(dueNow());
    judged(verdicts);
    for (Verdict verdict : verdicts) {
      if (!verdict.holds()) {
        Gathering.giveUp(failure(verdicts.stream().filter(one -> !one.holds()).toList()));
        break;
      }
    }
    return this;
  }

  @Override
  public Evidence warnUnless(Check first, Check... more) {
    Needed.of(first, "warnUnless(first, more): first");
    Needed.of(more, "warnUnless(first, more): more");
    List<Verdict> verdicts = new ArrayList<>(1 + more.length);
    verdicts.add(warned(first));
    for (Check check : more) {
      Needed.of(check, "warnUnless(first, more): a check");
      verdicts.add(warned(check));
    }
    judged(verdicts);
    return this;
  }

  @Override
  public <T> T valueAt(String path, Class<T> type) {
    Needed.of(path, "valueAt(path, type): path");
    Needed.of(type, "valueAt(path, type): type");
    if (path.startsWith("/")) {
      return new XmlReading(this, path, type).value(type);
    }
    TreePath parsed = TreePath.of(path);
    parsed.steps();
    lookedAt(path);
    return new Reading(this, "valueAt(\"" + path + "\", " + type.getSimpleName() + ")", type)
        .value(parsed, type);
  }

  @Override
  public <T> List<T> valuesAt(String path, Class<T> type) {
    Needed.of(path, "valuesAt(path, type): path");
    Needed.of(type, "valuesAt(path, type): type");
    if (path.startsWith("/")) {
      return new XmlReading(this, path, type).values(type);
    }
    TreePath parsed = TreePath.of(path);
    lookedAt(path);
    return new Reading(this, "valuesAt(\"" + path + "\", " + type.getSimpleName() + ")", type)
        .values(parsed, type);
  }

  @Override
  public <T> T bodyAs(Class<T> type) {
    Needed.of(type, "bodyAs(type): type");
    return new Reading(this, "bodyAs(" + type.getSimpleName() + ")", type)
        .value(TreePath.of("$"), type);
  }

  @Override
  public <T> List<T> bodyAsListOf(Class<T> type) {
    Needed.of(type, "bodyAsListOf(type): type");
    return new Reading(this, "bodyAsListOf(" + type.getSimpleName() + ")", type).items(type);
  }

  @Override
  public Xml xml() {
    return Xml.parse(bytes());
  }

  @Override
  public String toString() {
    return title();
  }

  /** A check that throws must not keep the others from being made. */
  public final Verdict verdict(Check check, boolean warning) {
    try {
      Check asked = check instanceof MappedCheck mapped ? mapped.by(hearingMapping()) : check;
      List<Finding> findings = asked.examine(seen());
      return new Verdict(
          check.words(seen()),
          warning,
          findings == null
              ? List.of(broken("it returned null; no findings are List.of()"))
              : findings);
    } catch (OutOfMemoryError e) {
      throw e; // there may be no memory for words either; it ends the case
    } catch (Throwable e) {
      return new Verdict(check.words(), warning, List.of(broken("it threw " + e)));
    }
  }

  private static Finding broken(String how) {
    return Finding.of("the check itself", "an answer", how);
  }

  /** A reading that found nothing it could give. */
  public final CheckFailed failed(Verdict reading) {
    judged(List.of(reading));
    return failure(List.of(reading));
  }

  /** Of what a warning looks at only that counts as looked at of which it holds. */
  private Verdict warned(Check check) {
    JudgedEvidence aside = aside();
    Verdict verdict = aside.verdict(check, true);
    if (verdict.holds()) {
      lookedAtAside(aside);
    }
    return verdict;
  }

  private List<Verdict> made(Check first, Check... more) {
    List<Verdict> verdicts = new ArrayList<>(1 + more.length);
    checked(first);
    verdicts.add(verdict(first, false));
    for (Check check : more) {
      Needed.of(check, "must(first, more): a check");
      if (isAgain() && !verdicts.get(verdicts.size() - 1).holds()) {
        break;
      }
      checked(check);
      verdicts.add(verdict(check, false));
    }
    return verdicts;
  }

  private CheckFailed failure(List<Verdict> failed) {
    List<Verdict> all = new ArrayList<>(toldFirst());
    all.addAll(failed);
    return new CheckFailed(title(), all);
  }
}
