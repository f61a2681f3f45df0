package org.oddlantern.standin;

import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.internal.Needed;

/**
 * Something that was looked at and is no reply: a mailbox, a queue, a file, what a stand-in was asked. What
 * code of one's own has fetched becomes evidence, with its place in the case's story. Immutable and
 * thread-safe.
 *
 * <pre>{@code
 * eventually(Duration.ofSeconds(5), () ->
 *     Observed.of("the mailbox of wren", mails.to("wren@fennelhill.example"))
 *         .must(size(1), at("$[0].subject", "Foxglove has swarmed")));
 * }</pre>
 */
public interface Observed extends Evidence {

  /**
   * What was looked at, seen as JSON: records, maps, lists and simple values as in a payload. Each look is
   * shown by itself in the report, so a look that is to be repeated is made anew each time.
   *
   * @param title what was looked at, in words: {@code the mailbox of wren}
   * @param seen what was seen; may be null
   * @return the evidence
   * @throws IllegalArgumentException if the title is blank, or what was seen cannot be written as JSON
   */
  static Observed of(String title, @Nullable Object seen) {
    Needed.of(title, "Observed.of(title, seen): title");
    if (title.isBlank()) {
      throw new IllegalArgumentException(
          "what was observed needs a title, which reports show: Observed.of(\"the mailbox of wren\", ...)");
    }
    return Sight.of(title, () -> seen);
  }

  /**
   * Makes all these checks, then fails if one or more do not hold.
   *
   * @param first a check, or a shape for the whole
   * @param more more of them
   * @return this evidence
   * @throws CheckFailed with every finding, if a check does not hold
   * @throws IllegalArgumentException if a plain value is given
   */
  Observed must(Object first, Object... more);

  @Override
  Observed must(Check first, Check... more);

  @Override
  Observed warnUnless(Check first, Check... more);
}
