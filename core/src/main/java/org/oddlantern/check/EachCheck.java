package org.oddlantern.check;

import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.path.TreePath;

/** Asks every item at a path. Made by {@link Checks#atEach}. Immutable and thread-safe. */
public final class EachCheck implements Check {

  private final String words;
  private final TreePath path;
  private final EachItemShape each;

  EachCheck(String words, TreePath path, EachItemShape each) {
    this.words = words;
    this.path = path;
    this.each = each;
  }

  /**
   * The same, the items known by what stands at a path of each, where no {@code id} or the like does.
   *
   * @param inside a path to one place, from the item: {@code $.tag}
   * @return the check
   * @throws IllegalArgumentException if it is no path, or leads to many places
   */
  public EachCheck identifiedBy(String inside) {
    Needed.of(inside, "identifiedBy(inside): inside");
    return new EachCheck(words, path, each.identifiedBy(inside));
  }

  @Override
  public String words() {
    return words;
  }

  @Override
  public String words(Evidence evidence) {
    Needed.of(evidence, "words(evidence): evidence");
    return new PathCheck(words, path, each).words(evidence);
  }

  @Override
  public String subject() {
    return new PathCheck(words, path, each).subject();
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    return new PathCheck(words, path, each).examine(evidence);
  }
}
