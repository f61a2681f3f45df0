package org.oddlantern.internal.reports.html;

import java.util.List;

/**
 * What a run has seen of the descriptions of its services, as its page shows it.
 *
 * @param name what the run is about
 * @param sentence for those who know nothing of calls and code
 * @param figures the same in figures
 * @param problems the schemas that cannot be used, in sentences
 * @param otherwise what is not as described
 * @param descriptions the descriptions
 */
public record DescriptionView(
    String name,
    String sentence,
    String figures,
    List<String> problems,
    List<OtherwiseView> otherwise,
    List<DocumentView> descriptions) {

  /**
   * Something that is not as described.
   *
   * @param operation the operation
   * @param where what it is about
   * @param wanted what the description says
   * @param got what was there
   * @param hints what may help
   * @param cases the cases that saw it
   * @param more how many more did, in words; empty if none
   * @param place where in the description lines would make it say so; empty if none would
   * @param lines those lines
   */
  public record OtherwiseView(
      String operation,
      String where,
      String wanted,
      String got,
      List<String> hints,
      List<BlindSpotsView.CaseLink> cases,
      String more,
      String place,
      String lines) {}

  /**
   * A description.
   *
   * @param title what it is about, as it says itself
   * @param file as messages call it
   * @param called how many of its operations were called, in words
   * @param operations its operations, in its order
   */
  public record DocumentView(
      String title, String file, String called, List<OperationView> operations) {}

  /**
   * An operation.
   *
   * @param line the operation in one line
   * @param summary what it does, as the description says; may be empty
   * @param called how often it was called, in words
   * @param isCalled whether it was
   * @param deprecated whether it should not be called any more
   * @param came the statuses that came, in words
   * @param never the statuses that are described and never came, in words; empty if all came
   * @param parts parameters and media types, and what places of replies never came
   * @param cases the cases that called it
   * @param more how many more did, in words; empty if none
   */
  public record OperationView(
      String line,
      String summary,
      String called,
      boolean isCalled,
      boolean deprecated,
      String came,
      String never,
      List<PartView> parts,
      List<BlindSpotsView.CaseLink> cases,
      String more) {}

  /**
   * Something that is described.
   *
   * @param words what it is
   * @param seen whether it was used, or came
   * @param how the same in words
   */
  public record PartView(String words, boolean seen, String how) {}
}
