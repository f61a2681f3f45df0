package org.oddlantern.internal.promise;

import java.util.List;

/**
 * A case as documents name it.
 *
 * @param id its full name, without samples
 * @param suite the name of its suite, for people
 * @param title its title as it is written
 * @param samples the cases it becomes over its samples; empty if it runs over none
 * @param files the files its samples were read from
 */
public record TitledCase(
    String id, String suite, String title, List<OfSample> samples, List<String> files) {

  /** Keeps its own lists. */
  public TitledCase {
    samples = List.copyOf(samples);
    files = List.copyOf(files);
  }

  /** Under what it stands in a journal. */
  List<String> ids() {
    return samples.isEmpty() ? List.of(id) : samples.stream().map(OfSample::id).toList();
  }

  /**
   * The case over one of its samples.
   *
   * @param id its full name
   * @param title its title, with the values of the sample
   */
  public record OfSample(String id, String title) {}
}
