package org.oddlantern.evidence;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Worded;

/**
 * A question put to evidence. Checks come from {@code org.oddlantern.check.Checks}; one of your own is
 * a class with two methods. Implementations are immutable, safe to use from several threads and leave
 * the evidence as it is.
 *
 * <pre>{@code
 * record NotCached() implements Check {
 *     public String words() { return "the reply is not cached"; }
 *     public List<Finding> examine(Evidence evidence) {
 *         return evidence.headers().first("Age").isEmpty()
 *                 ? List.of() : List.of(Finding.of("header Age", "no such header", "one"));
 *     }
 * }
 * }</pre>
 */
public interface Check extends Worded {

  /**
   * The check in words, as reports show it: {@code status(201)}.
   *
   * @return the words; never blank
   */
  @Override
  String words();

  /**
   * The check in words, with what is known of it once it was made: that a path led on to nothing from
   * some of the places it found, for instance.
   *
   * @param evidence what was looked at
   * @return the words; {@link #words()} unless there is more to say
   */
  default String words(Evidence evidence) {
    return words();
  }

  /**
   * Everything that does not hold.
   *
   * @param evidence what to look at
   * @return the findings; empty if the check holds
   */
  List<Finding> examine(Evidence evidence);

  /**
   * What the check is about. Of a check that a service makes on every reply and one of the case about
   * the same subject, only the case's is made.
   *
   * @return the subject; the words unless the check says otherwise
   */
  default String subject() {
    return words();
  }
}
