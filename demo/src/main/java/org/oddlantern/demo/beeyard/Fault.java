package org.oddlantern.demo.beeyard;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;

/** A believable mistake the service can make on request. */
public enum Fault {
  /** A single inspection is returned with {@code queenseen} instead of {@code queenSeen}. */
  MISSPELT_FIELD,
  /** A change of a hive is answered as if it had been made, but it is not stored. */
  LOST_UPDATE,
  /** A new hive is answered without {@code Location}. */
  MISSING_LOCATION,
  /** Inspections of one hive end in a 500 with a line of plain text. */
  PLAIN_TEXT_500,
  /** One inspection of the list returns its frames as a string. */
  NUMBER_AS_TEXT,
  /** A hive is opened though it rains. */
  RAIN_IGNORED,
  /** The weather station returns a wind that its description does not know, and no case looks at it. */
  WIND_UNKNOWN,
  /** A hive is returned with another plot than its own. */
  WRONG_VALUE,
  /** A hive is returned without its plot. */
  MISSING_FIELD,
  /** A hive is returned with the phone number of its keeper. */
  SURPLUS_FIELD,
  /** A hive returns the year of its queen as a string. */
  WRONG_TYPE,
  /** A hive returns the year of its queen under another name. */
  RENAMED_FIELD,
  /** A hive returns null for its plot. */
  NULL_VALUE,
  /** A hive returns its label in upper case. */
  CASE_CHANGED,
  /** A hive returns its label with a trailing space. */
  TRAILING_SPACE,
  /** A hive returns its plot with a no-break space. */
  NO_BREAK_SPACE,
  /** A hive returns its label with a Cyrillic letter in it. */
  LOOK_ALIKE,
  /** The season returns its region with letters and accents as separate characters. */
  DECOMPOSED,
  /** The season returns its region encoded twice. */
  MOJIBAKE,
  /** The season returns its title escaped for HTML. */
  ESCAPED,
  /** The season returns the beginning of its notes only. */
  TEXT_CUT,
  /** The season returns its notes with one word changed. */
  LONG_TEXT,
  /** An inspection is returned a day early. */
  DATE_SHIFTED,
  /** The season opens an hour late, as it would in another time zone. */
  HOUR_LATE,
  /** The season opens two hours late. */
  TIME_SHIFTED,
  /** The season returns the same opening with another offset. */
  SAME_MOMENT,
  /** The season returns its opening in milliseconds since 1970. */
  EPOCH_MILLIS,
  /** The season returns a large number as a double would. */
  PRECISION_LOST,
  /** The season returns a long fraction as a double would. */
  ROUNDED,
  /** The season returns its price in cents. */
  SCALED,
  /** The season returns its coldest day without the sign. */
  SIGN_LOST,
  /** The season returns half of what is in one jar. */
  DEEP_DIFFERENCE,
  /** The season returns the price of its queens. */
  SURPLUS_KEYS,
  /** The season returns its name as its region, and its region as its name. */
  SWAPPED_FIELDS,
  /** The list of inspections counts its ids from two. */
  SHIFTED_IDS,
  /** The list of inspections ends one too early. */
  LAST_ITEM_LOST,
  /** Two inspections have changed places. */
  SWAPPED_ITEMS,
  /** One inspection is returned twice. */
  DOUBLED_ITEM,
  /** One inspection returns another mood. */
  CHANGED_ITEM,
  /** Three inspections return frames below zero. */
  BAD_ITEMS,
  /** No inspection returns its mood. */
  ALL_ITEMS_BAD,
  /** The list of inspections is empty. */
  EMPTY_LIST,
  /** A new hive is answered with 200. */
  WRONG_STATUS,
  /** A hive is answered without its entity tag. */
  MISSING_HEADER,
  /** A hive is answered as if it were HTML. */
  WRONG_CONTENT_TYPE,
  /** A page that says to come back later is returned instead of a hive. */
  HTML_PAGE,
  /** A hive is answered with nothing. */
  EMPTY_BODY,
  /** A hive is cut off in the middle. */
  BROKEN_JSON,
  /** A hive is returned as a string that holds JSON. */
  ENCODED_TWICE,
  /** The season is sent in ISO-8859-1. */
  NOT_UTF8,
  /** A hive names its plot twice. */
  DOUBLED_KEY,
  /** A hive is returned as it was at the start. */
  STALE_CACHE,
  /** A hive is removed for those who ask, but not from the database. */
  ROW_LEFT,
  /** Passwords of new keepers are stored in plain text. */
  PLAIN_PASSWORD,
  /** The export returns another kind for the second hive. */
  XML_VALUE,
  /** The export lists a hive that does not exist. */
  XML_SURPLUS,
  /** A harvest is never weighed. */
  NEVER_WEIGHED,
  /** Of jars that are counted at the same moment most are forgotten. */
  RACING_JARS;

  /** Those of {@code demo --with-faults}: few enough to be read at once. */
  static final Set<Fault> SHOWN = Set.copyOf(EnumSet.range(MISSPELT_FIELD, WIND_UNKNOWN));

  private static final String PROPERTY = "beeyard.faults";

  /** Beeyards that are started from now on by suites shall make these mistakes as well. */
  static void askFor(Set<Fault> faults) {
    System.setProperty(PROPERTY, faults.stream().map(Fault::name).collect(Collectors.joining(",")));
  }

  /**
   * The mistakes that the beeyard of the demo makes, for one that a suite starts itself.
   *
   * @return the faults; none unless the demo was asked for some
   */
  public static Set<Fault> asked() {
    return Arrays.stream(System.getProperty(PROPERTY, "").split(",", -1))
        .filter(name -> !name.isEmpty())
        .map(Fault::valueOf)
        .collect(Collectors.toUnmodifiableSet());
  }
}
