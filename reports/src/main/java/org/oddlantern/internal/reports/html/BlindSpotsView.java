package org.oddlantern.internal.reports.html;

import java.util.List;
import org.oddlantern.internal.record.Watch;

/**
 * What nobody would notice, as its page shows it.
 *
 * @param name what the run is about
 * @param sentence for those who know nothing of calls and code
 * @param figures the same in figures
 * @param known what cases know and nobody checks
 * @param often what is unwatched in many operations
 * @param operations every operation with its places
 * @param leftOut cases that could not be done again
 */
public record BlindSpotsView(
    String name,
    String sentence,
    String figures,
    List<KnownView> known,
    List<OftenView> often,
    List<OperationView> operations,
    List<LeftOutView> leftOut) {

  /**
   * Something that a case knows.
   *
   * @param operation the operation
   * @param anchor what leads to it
   * @param place the place
   * @param why why the case knows it
   * @param how how it is watched
   * @param line what would watch it
   */
  public record KnownView(
      String operation, String anchor, String place, String why, String how, String line) {}

  /**
   * What is unwatched in many operations.
   *
   * @param sentence what, and in how many
   * @param line what would watch it; may be empty
   */
  public record OftenView(String sentence, String line) {}

  /**
   * An operation.
   *
   * @param anchor what leads to it
   * @param service the service, where there are several
   * @param line what was asked, and the status
   * @param count how many of its places are watched, in words
   * @param open whether some are not
   * @param rows its places as they stand in an answer
   * @param where the case to which lines may be added
   * @param lines lines to paste
   */
  public record OperationView(
      String anchor,
      String service,
      String line,
      String count,
      boolean open,
      List<RowView> rows,
      CaseLink where,
      List<String> lines) {}

  /**
   * A line of an answer.
   *
   * @param text the line, indented
   * @param sign how it is watched, as a sign that needs no colour; a blank where nothing is to be watched
   * @param kind the same as a class of the stylesheet; empty likewise
   * @param how the same in words
   * @param by the case that watches it
   */
  public record RowView(String text, String sign, String kind, String how, CaseLink by) {

    static RowView plain(String text) {
      return new RowView(text, " ", "", "", CaseLink.NONE);
    }

    /** How deep it stands, for the stylesheet. */
    public String deep() {
      return BodyView.Line.of(text).deep();
    }
  }

  /**
   * A case.
   *
   * @param title its title; empty for none
   * @param address where it is told; empty if it is not
   */
  public record CaseLink(String title, String address) {
    static final CaseLink NONE = new CaseLink("", "");
  }

  /**
   * A case that could not be done again.
   *
   * @param one the case
   * @param reason why
   */
  public record LeftOutView(CaseLink one, String reason) {}

  /** The sign of a way of watching. */
  static String sign(Watch watch) {
    return switch (watch) {
      case BY_VALUE -> "\u25cf";
      case BY_KIND -> "\u25d0";
      case ON_PURPOSE -> "\u2013";
      case IN_PART -> "\u25d4";
      case NOT_AT_ALL -> "\u25cb";
    };
  }
}
