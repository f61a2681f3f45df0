package org.oddlantern.check;

import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Check;

/**
 * The body is the one that was agreed on: it is compared with a file below the resources of the suites,
 * which {@code odd-lantern agree} writes after showing it. JSON is compared as {@link Checks#exactly} does,
 * XML as {@link Checks#sameXml} does, text as it is, other bytes by their size and digest. Immutable and
 * thread-safe.
 *
 * <pre>{@code
 * beeyard.send(Call.get("/hives/{id}", id))
 *     .must(status(200), asAgreed().but("$.id", wholeNumber()).but("$.registeredAt", dateTime()));
 * }</pre>
 */
public sealed interface Agreed extends Check permits AgreedCheck {

  /**
   * The same, but for a place that differs from run to run: what is there has a shape. The file keeps the
   * value that it has at such a place.
   *
   * @param path a path into a JSON body (RFC 9535); it may lead to many places
   * @param shape a value or a shape; {@link Checks#anyValue()} for whatever is there
   * @return another check
   * @throws IllegalArgumentException if the path cannot be read
   */
  Agreed but(String path, @Nullable Object shape);
}
