package org.oddlantern.internal.described;

import java.util.function.Supplier;

/**
 * A service that has a description.
 *
 * @param name its name; may be empty
 * @param address its address
 * @param from where the description is: a file, or a path of the service itself that begins with a slash
 * @param fetch gets the text from the service
 */
public record DescribedService(String name, String address, String from, Supplier<String> fetch) {

  /** Whether the service itself gives its description. */
  public boolean isOwn() {
    return from.startsWith("/") && !address.isEmpty();
  }

  /** Of which there is one description. */
  String key() {
    return isOwn() ? address + from : from;
  }
}
