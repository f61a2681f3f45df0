package org.oddlantern.check;

import java.time.Duration;
import java.util.Optional;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.internal.Gathering;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.StoryListener;

/**
 * What goes around calls and checks: gathering failures, waiting, naming the parts of a case, keeping what
 * it got. Suites import {@link Checks}, which brings these along.
 */
public class Steps extends Shapes {

  /** Only {@link Checks} extends this. */
  Steps() {}

  /**
   * Does a piece of a case in which failing checks do not end it, and fails at its end with all of them.
   * A reading that finds nothing still ends it, since there is no value to go on with.
   *
   * @param <X> the checked exception the piece may throw
   * @param piece calls and checks
   * @throws X if the piece throws it
   * @throws org.oddlantern.evidence.CheckFailed with every failure, if there was one
   */
  public static <X extends Exception> void gatherFailures(ThrowingRunnable<X> piece) throws X {
    Needed.of(piece, "gatherFailures(piece): piece");
    GatheredFailures.of(piece);
  }

  /**
   * Does a piece of a case again and again until it holds, with growing pauses. Only the last try counts
   * and is recorded. Failing checks, failing readings and missing replies are tried again; everything
   * else that is thrown ends it.
   *
   * @param <X> the checked exception the piece may throw
   * @param limit how long to try
   * @param piece calls and checks
   * @throws X if the piece throws it
   */
  public static <X extends Exception> void eventually(Duration limit, ThrowingRunnable<X> piece)
      throws X {
    Needed.of(limit, "eventually(limit, piece): limit");
    Needed.of(piece, "eventually(limit, piece): piece");
    try {
      new Tries(limit).<Boolean, X>until(() -> {
        piece.done();
        return true;
      });
    } catch (CheckFailed e) {
      Gathering.giveUp(e); // it gives no value, so the rest can go on
    }
  }

  /**
   * The same for a piece that gives a value. Null and an empty {@code Optional} are not there yet.
   *
   * @param <T> the type of the value
   * @param <X> the checked exception the piece may throw
   * @param limit how long to try
   * @param piece gives the value
   * @return the value of the try that held
   * @throws X if the piece throws it
   */
  public static <T, X extends Exception> T waitFor(Duration limit, ThrowingSupplier<T, X> piece)
      throws X {
    Needed.of(limit, "waitFor(limit, piece): limit");
    Needed.of(piece, "waitFor(limit, piece): piece");
    return new Tries(limit).until(() -> {
      T value = piece.done();
      if (value == null || value instanceof Optional<?> maybe && maybe.isEmpty()) {
        throw new AssertionError("there was no value yet");
      }
      return value;
    });
  }

  /**
   * Begins a part of a case, shown in reports and lists with what is asked from here on. Nothing happens
   * outside a run.
   *
   * <pre>{@code
   * step("the keeper signs in");
   * }</pre>
   *
   * @param words what it is about, in plain words
   */
  public static void step(String words) {
    Needed.of(words, "step(words): words");
    CurrentCase.part(StoryListener.class).ifPresent(story -> story.step(words));
  }

  /**
   * Keeps something with the results of the case: a file it got, a picture it made. Secrets in texts are
   * hidden. Nothing happens outside a run.
   *
   * @param name a name for people, like that of a file
   * @param contentType its media type, like {@code text/csv}
   * @param content its bytes; 16 MiB for a case at most
   * @throws IllegalArgumentException if the case keeps more
   */
  public static void keep(String name, String contentType, byte[] content) {
    Needed.of(name, "keep(name, contentType, content): name");
    Needed.of(contentType, "keep(name, contentType, content): contentType");
    Needed.of(content, "keep(name, contentType, content): content");
    CurrentCase.part(StoryListener.class)
        .ifPresent(story -> story.kept(name, contentType, content));
  }
}
