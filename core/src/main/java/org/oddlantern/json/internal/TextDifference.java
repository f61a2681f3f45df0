package org.oddlantern.json.internal;

import java.math.BigDecimal;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.function.BinaryOperator;
import java.util.regex.Pattern;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;

/** Tells two texts apart so that a reader sees where and, where that has a name, how they differ. */
final class TextDifference {

  private static final int LONGEST = 100_000;
  private static final int AROUND = 60;
  private static final Pattern NUMBER = Pattern.compile("-?\\d{1,40}(\\.\\d{1,40})?");

  /** The first that has something to say explains the difference. */
  private static final List<BinaryOperator<String>> EXPLANATIONS = List.of(
      TextDifference::sameNumber,
      MomentDifference::explained,
      TextDifference::onlyCase,
      TextDifference::onlyNormalForm,
      WhiteSpaceDifference::explained,
      TextDifference::onlyEncoding,
      TextDifference::onlyEscaping,
      TextDifference::onlyQuotes,
      TextDifference::cutOff,
      DifferingPart::explained);

  private TextDifference() {}

  static Finding finding(Location where, String wanted, String got) {
    int at = DifferingPart.firstDifference(wanted, got);
    Finding finding = Finding.of(where, shown(wanted, at), shown(got, at));
    if (wanted.length() > LONGEST || got.length() > LONGEST) {
      return finding.hint(DifferingPart.explained(wanted, got));
    }
    for (BinaryOperator<String> explanation : EXPLANATIONS) {
      String hint = explanation.apply(wanted, got);
      if (!hint.isEmpty()) {
        return finding.hint(hint);
      }
    }
    return finding;
  }

  /** A long text only around the place that matters. */
  private static String shown(String text, int at) {
    if (text.length() <= Words.LIMIT) {
      return Words.quoted(text);
    }
    int from = Math.max(0, Math.min(at, text.length()) - AROUND);
    int to = Math.min(text.length(), at + AROUND);
    from = from > 0 && Character.isLowSurrogate(text.charAt(from)) ? from - 1 : from;
    to = to < text.length() && to > from && Character.isHighSurrogate(text.charAt(to - 1))
        ? to - 1
        : to;
    return (from > 0 ? "..." : "") + Words.quoted(text.substring(from, Math.max(from, to)))
        + (to < text.length() ? "..." : "")
        + " (" + DifferingPart.count(text) + " characters in all)";
  }

  private static String sameNumber(String wanted, String got) {
    boolean same = NUMBER.matcher(wanted).matches()
        && NUMBER.matcher(got).matches()
        && new BigDecimal(wanted).compareTo(new BigDecimal(got)) == 0;
    return same ? "the same number, written in another way" : "";
  }

  private static String onlyCase(String wanted, String got) {
    return wanted.equalsIgnoreCase(got) ? "only upper and lower case differ" : "";
  }

  private static String onlyNormalForm(String wanted, String got) {
    boolean same = Normalizer.normalize(wanted, Normalizer.Form.NFC)
        .equals(Normalizer.normalize(got, Normalizer.Form.NFC));
    return same
        ? "the same text in another Unicode normal form (" + form(wanted) + " is wanted, "
            + form(got) + " came): letter and mark apart, or together"
        : "";
  }

  private static String form(String text) {
    return Normalizer.isNormalized(text, Normalizer.Form.NFC)
        ? "NFC"
        : Normalizer.isNormalized(text, Normalizer.Form.NFD) ? "NFD" : "neither NFC nor NFD";
  }

  private static String onlyEncoding(String wanted, String got) {
    String once = misread(wanted, StandardCharsets.ISO_8859_1, got);
    return once.isEmpty() && Charset.isSupported("windows-1252")
        ? misread(wanted, Charset.forName("windows-1252"), got)
        : once;
  }

  private static String misread(String wanted, Charset charset, String got) {
    String misread = new String(wanted.getBytes(StandardCharsets.UTF_8), charset);
    return misread.equals(got) && !misread.equals(wanted)
        ? "it is the text wanted, its UTF-8 read as " + charset.name()
        : "";
  }

  private static String onlyEscaping(String wanted, String got) {
    if (unescaped(got).equals(wanted)) {
      return "it is the text wanted, escaped for HTML";
    }
    return unescaped(wanted).equals(got) ? "the text wanted is escaped for HTML, this is not" : "";
  }

  private static String unescaped(String text) {
    return text.replace("&lt;", "<")
        .replace("&gt;", ">")
        .replace("&quot;", "\"")
        .replace("&#39;", "'")
        .replace("&apos;", "'")
        .replace("&amp;", "&");
  }

  private static String onlyQuotes(String wanted, String got) {
    return got.equals('"' + wanted + '"') ? "it is the text wanted, in quotes of its own" : "";
  }

  private static String cutOff(String wanted, String got) {
    if (!got.isEmpty() && wanted.startsWith(got)) {
      return String.format(
          Locale.ROOT,
          "it is cut off after character %d; %d characters are wanted",
          DifferingPart.count(got),
          DifferingPart.count(wanted));
    }
    if (!wanted.isEmpty() && got.startsWith(wanted)) {
      return "it goes on after the text wanted: %s"
          .formatted(Words.quoted(got.substring(wanted.length())));
    }
    return "";
  }
}
