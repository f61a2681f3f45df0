package org.oddlantern.cli;

import org.oddlantern.shaded.picocli.CommandLine.IVersionProvider;

/** Tells the version of this build. */
final class Version implements IVersionProvider {

  @Override
  public String[] getVersion() {
    String version = Version.class.getPackage().getImplementationVersion();
    return new String[] {"Odd Lantern " + (version == null ? "(not packaged)" : version)};
  }
}
