package org.oddlantern.cli;

import org.oddlantern.shaded.picocli.CommandLine.IVersionProvider;

/** Tells the version of this build. */
final class Version implements IVersionProvider {

  @Override
  public String[] getVersion() {
    return new String[] {"Odd Lantern " + number()};
  }

  /** The version of the artifacts that belong to this build; tests run what is not packaged. */
  static String number() {
    String version = Version.class.getPackage().getImplementationVersion();
    return version == null ? "(not packaged)" : version;
  }
}
