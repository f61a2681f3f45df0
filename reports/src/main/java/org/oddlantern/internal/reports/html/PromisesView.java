package org.oddlantern.internal.reports.html;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What documents promise, as their page shows it.
 *
 * @param name what the run is about
 * @param sentence how many promises were kept
 * @param kept whether none is broken and none could not be tried
 * @param documents the documents
 */
public record PromisesView(
    String name, String sentence, boolean kept, List<DocumentView> documents) {

  /**
   * A document.
   *
   * @param file its name
   * @param blocks what stands in it
   */
  public record DocumentView(String file, List<BlockView> blocks) {}

  /**
   * A piece of a document: prose, or promises.
   *
   * @param html prose, as HTML in which nothing from outside is markup; empty for promises
   * @param items promises; empty for prose
   */
  public record BlockView(String html, List<ItemView> items) {}

  /**
   * A promise.
   *
   * @param anchor what leads to it
   * @param html the sentence, as HTML likewise
   * @param word what became of it
   * @param kind the same as a class of the stylesheet
   * @param note what else there is to say of it; may be empty
   * @param samples the samples its case runs over; null if its document names none
   * @param proofs the cases that were to keep it
   * @param more how many more there are
   * @param below what stands below it
   */
  public record ItemView(
      String anchor,
      String html,
      String word,
      String kind,
      String note,
      @Nullable SamplesView samples,
      List<CaseView> proofs,
      int more,
      List<BlockView> below) {}

  /**
   * Samples.
   *
   * @param file their file
   * @param columns the names of what stands in them
   * @param rows the samples
   */
  public record SamplesView(String file, List<String> columns, List<RowView> rows) {}

  /**
   * A sample.
   *
   * @param word how its case went; empty if that cannot be told
   * @param broken whether it failed
   * @param cells what stands in it
   */
  public record RowView(String word, boolean broken, List<String> cells) {}
}
