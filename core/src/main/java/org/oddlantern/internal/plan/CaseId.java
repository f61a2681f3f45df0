package org.oddlantern.internal.plan;

import org.jspecify.annotations.Nullable;

/**
 * What a case is known by, whatever its title: {@code package.Class#method[sample]}.
 *
 * @param suite the binary name of the class
 * @param method the name of the method
 * @param environment the environment, if it is made to run on another than its own; else empty
 * @param sample what its sample is known by; empty if it runs over none
 */
public record CaseId(String suite, String method, String environment, String sample) {

  /**
   * The identity with the class's simple name, for messages and headers.
   *
   * @return {@code HiveRegisterTest#register}
   */
  public String brief() {
    return suite.substring(suite.lastIndexOf('.') + 1) + "#" + method + suffix();
  }

  /** Written out like {@link #equals}: what the JDK makes for a record takes time at every start. */
  @Override
  public int hashCode() {
    return 31 * (31 * (31 * suite.hashCode() + method.hashCode()) + environment.hashCode())
        + sample.hashCode();
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof CaseId id
        && suite.equals(id.suite)
        && method.equals(id.method)
        && environment.equals(id.environment)
        && sample.equals(id.sample);
  }

  @Override
  public String toString() {
    return suite + "#" + method + suffix();
  }

  private String suffix() {
    return (environment.isEmpty() ? "" : "@" + environment)
        + (sample.isEmpty() ? "" : "[" + sample + "]");
  }
}
