package org.oddlantern.json.internal;

import java.util.Collection;
import java.util.Locale;
import java.util.Optional;

/** Finds the known name a mistyped one was most likely meant to be. */
public final class NearestMatch {

  private static final int LONGEST = 100;
  private static final int MOST = 10_000;

  private NearestMatch() {}

  /**
   * The known name that is closest, if one is close enough to be a likely slip.
   *
   * @param name what was written
   * @param known the names that exist
   * @return the nearest, or empty
   */
  public static Optional<String> among(String name, Collection<String> known) {
    return name.length() > LONGEST
        ? Optional.empty()
        : among(name, known, Math.max(1, name.length() / 3));
  }

  /**
   * The known text that is closest, whatever its length.
   *
   * @param name what was written
   * @param known the texts that exist
   * @param apart how many letters may differ
   * @return the nearest, or empty
   */
  public static Optional<String> among(String name, Collection<String> known, int apart) {
    Folded wanted = Folded.of(name);
    int allowed = apart;
    String nearest = null;
    int looked = 0;
    for (String candidate : known) {
      if (++looked > MOST || allowed < 0) {
        break;
      }
      if (Math.abs(candidate.length() - name.length()) <= apart) {
        Folded other = Folded.of(candidate);
        int distance = wanted.fewestFrom(other);
        if (distance <= allowed) {
          distance = distance(wanted.text(), other.text(), allowed);
        }
        if (distance <= allowed) {
          nearest = candidate;
          allowed = distance - 1;
        }
      }
    }
    return Optional.ofNullable(nearest);
  }

  /**
   * A hint that names the nearest match.
   *
   * @param name what was written
   * @param known the names that exist
   * @return {@code did you mean 'label'?}, or an empty text
   */
  public static String hint(String name, Collection<String> known) {
    return among(name, known).map(near -> "did you mean '" + near + "'?").orElse("");
  }

  /**
   * Edits (insert, remove, replace, swap neighbours) from one text to the other; more than allowed as
   * soon as it is certain that there are more.
   */
  private static int distance(String one, String other, int allowed) {
    int shorter = Math.min(one.length(), other.length());
    int same = 0; // at the beginning, then at the end: no edit is needed there
    while (same < shorter && one.charAt(same) == other.charAt(same)) {
      same++;
    }
    int after = 0;
    while (after < shorter - same
        && one.charAt(one.length() - 1 - after) == other.charAt(other.length() - 1 - after)) {
      after++;
    }
    return one.length() == other.length() && one.length() == same + after + 1
        ? 1
        : between(
            one.substring(same, one.length() - after),
            other.substring(same, other.length() - after),
            allowed);
  }

  private static int between(String a, String b, int allowed) {
    int[] before = new int[b.length() + 1];
    int[] last = new int[b.length() + 1];
    int[] row = new int[b.length() + 1];
    for (int j = 0; j <= b.length(); j++) {
      last[j] = j;
    }
    int leastBefore = 0;
    for (int i = 1; i <= a.length(); i++) {
      row[0] = i;
      int least = i;
      for (int j = 1; j <= b.length(); j++) {
        int replace = last[j - 1] + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
        row[j] = Math.min(replace, 1 + Math.min(last[j], row[j - 1]));
        if (i > 1
            && j > 1
            && a.charAt(i - 1) == b.charAt(j - 2)
            && a.charAt(i - 2) == b.charAt(j - 1)) {
          row[j] = Math.min(row[j], before[j - 2] + 1);
        }
        least = Math.min(least, row[j]);
      }
      if (least > allowed && leastBefore > allowed) {
        return least; // a swap looks back two rows, so two must be beyond
      }
      leastBefore = least;
      int[] spare = before;
      before = last;
      last = row;
      row = spare;
    }
    return last[b.length()];
  }

  /**
   * A name without what people get wrong and do not see: case, underscores and hyphens.
   *
   * @param text the name
   * @param letters which letters are in it, as bits; some share one, so that two texts only seem nearer
   */
  private record Folded(String text, long letters) {

    static Folded of(String name) {
      String text =
          isFolded(name) ? name : name.toLowerCase(Locale.ROOT).replace("_", "").replace("-", "");
      long letters = 0;
      for (int i = 0; i < text.length(); i++) {
        letters |= 1L << text.charAt(i);
      }
      return new Folded(text, letters);
    }

    /** Most names are: that is seen without a copy. */
    private static boolean isFolded(String name) {
      for (int i = 0; i < name.length(); i++) {
        char letter = name.charAt(i);
        if (letter >= 0x80 || letter == '_' || letter == '-' || letter >= 'A' && letter <= 'Z') {
          return false;
        }
      }
      return true;
    }

    /** At least so many edits lead from one to the other: each brings or takes one letter at most. */
    int fewestFrom(Folded other) {
      return Math.max(
          Long.bitCount(letters & ~other.letters), Long.bitCount(other.letters & ~letters));
    }
  }
}
