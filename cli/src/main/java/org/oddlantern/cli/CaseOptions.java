package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.shaded.picocli.CommandLine.Option;

/** Which cases, for every command that looks at some. */
final class CaseOptions {

  @Option(
      names = "--case",
      paramLabel = "CASE",
      description =
          "These only: a class, Class#method, a package (beeyard.*), or a title with * for any text. May be repeated.")
  private List<String> cases = new ArrayList<>();

  @Option(
      names = "--tag",
      paramLabel = "TAG",
      split = ",",
      description = "Only cases with this tag. May be repeated: one of them is enough.")
  private List<String> tags = new ArrayList<>();

  @Option(
      names = "--without-tag",
      paramLabel = "TAG",
      split = ",",
      description = "Leave out cases with this tag. May be repeated.")
  private List<String> withoutTags = new ArrayList<>();

  /**
   * What is chosen.
   *
   * @param ids the full names of the only cases that may be; null for all
   */
  Selection selection(@Nullable Set<String> ids) {
    return new Selection(cases, tags, withoutTags, ids);
  }
}
