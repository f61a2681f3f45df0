package org.oddlantern.plan;

/**
 * What a case is known by, whatever its title: {@code package.Class#method}.
 *
 * @param suite the binary name of the class
 * @param method the name of the method
 */
public record CaseId(String suite, String method) {

  /**
   * The identity with the class's simple name, for messages and headers.
   *
   * @return {@code HiveRegisterTest#register}
   */
  public String brief() {
    return suite.substring(suite.lastIndexOf('.') + 1) + "#" + method;
  }

  @Override
  public String toString() {
    return suite + "#" + method;
  }
}
