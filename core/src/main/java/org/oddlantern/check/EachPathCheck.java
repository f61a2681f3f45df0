package org.oddlantern.check;

import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.internal.MappedCheck;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.path.TreePath;

/** What {@link EachCheck} promises. */
record EachPathCheck(String words, TreePath path, EachItemShape each)
    implements EachCheck, MappedCheck {

  @Override
  public EachCheck identifiedBy(String inside) {
    Needed.of(inside, "identifiedBy(inside): inside");
    return new EachPathCheck(words, path, each.identifiedBy(inside));
  }

  @Override
  public Check by(JsonMapping mapping) {
    return asked().by(mapping);
  }

  @Override
  public String words(Evidence evidence) {
    Needed.of(evidence, "words(evidence): evidence");
    return asked().words(evidence);
  }

  @Override
  public String subject() {
    return asked().subject();
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    return asked().examine(evidence);
  }

  private PathCheck asked() {
    return new PathCheck(words, path, each);
  }
}
