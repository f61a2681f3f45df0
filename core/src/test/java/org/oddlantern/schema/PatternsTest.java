package org.oddlantern.schema;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.URLDecoder;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.schema.internal.text.BadPattern;
import org.oddlantern.schema.internal.text.TextPattern;

/** Patterns as ECMA-262 means them (section 22.2), where the platform's own mean something else. */
class PatternsTest {

  private static final List<String> PARTS = List.of(
      "a", "b", "\\d", "\\w", "[ab]", "[a-c1]", "[b-]", "[\\d_-]", "\\.", "[.b]", "-", "[^a]",
      "[_-a]", "é");
  private static final List<String> COUNTS =
      List.of("", "", "", "+", "*", "?", "{2}", "{1,}", "{0,2}", "{2,3}", "+?");
  private static final int[] LETTERS = "aabbc1_-.A`\né🐝".codePoints().toArray();

  @ParameterizedTest
  @CsvSource(delimiter = '~', quoteCharacter = '`', textBlock = """
      ^a$               ~ a              ~ true
      ^a$               ~ a%0A          ~ false
      ^\\d$             ~ ٣              ~ false
      ^\\w$             ~ é              ~ false
      ^\\s$             ~ %EF%BB%BF       ~ true
      ^\\S$             ~ %C2%A0       ~ false
      ^.$               ~ %C2%85       ~ true
      ^.$               ~ %E2%80%A8       ~ false
      ^.$               ~ 🐝             ~ true
      ^[^a]$            ~ 🐝             ~ true
      ^[🐝-🐟]$         ~ 🐞             ~ true
      ^\\u{1f41d}$      ~ 🐝             ~ true
      ^\\ud83d\\udc1d$  ~ 🐝             ~ true
      ^\\x41\\u0042$    ~ AB             ~ true
      ^\\cJ$            ~ %0A           ~ true
      ^\\v$             ~ %0B       ~ true
      ^\\v$             ~ %0A           ~ false
      ^[\\b]$           ~ %08           ~ true
      \\bé              ~ aé             ~ true
      é\\b              ~ é              ~ false
      \\Bé              ~ é              ~ true
      ^[a-z&&[b]]+$     ~ a]]            ~ true
      ^[a[]$            ~ [              ~ true
      ^[]$              ~ a              ~ false
      ^[^]$             ~ %0A           ~ true
      ^[^\\d\\s]$       ~ x              ~ true
      ^[^\\d\\s]$       ~ 7              ~ false
      ^[^\\Da]$         ~ 7              ~ true
      ^[^\\Da]$         ~ b              ~ false
      ^[\\w-]+$         ~ a-b            ~ true
      ^[\\w-z]+$        ~ a-b            ~ true
      ^[+--]$           ~ ,            ~ true
      ^(a)|b\\1$        ~ b              ~ true
      ^(?:(a)|b)\\1$    ~ aa             ~ true
      ^(?:(a)|b)\\1$    ~ b              ~ true
      ^(?:(a)|b)\\1$    ~ ab             ~ false
      ^\\1(a)$          ~ a              ~ true
      ^(?<yr>\\d)\\k<yr>$ ~ 77           ~ true
      ^(?<yr>\\d)\\k<yr>$ ~ 78           ~ false
      ^(?=ab)a          ~ ab             ~ true
      (?<!a)b           ~ ab             ~ false
      ^a{2}$            ~ aa             ~ true
      ^a{,2}$           ~ a{,2}          ~ true
      ^{a}]$            ~ {a}]           ~ true
      ^a\\/b\\-c\\@$    ~ a/b-c@         ~ true
      ^\\p{L}\\p{Lu}$   ~ éÉ             ~ true
      ^\\p{Letter}$     ~ 7              ~ false
      ^\\P{L}$          ~ 7              ~ true
      ^\\p{Script=Greek}$ ~ α            ~ true
      ^\\p{sc=Greek}$   ~ a              ~ false
      ^[\\p{Nd}x]$      ~ ٣              ~ true
      ^x-               ~ x-team         ~ true
      ^x-               ~ ax-            ~ false
      a*?b              ~ aab            ~ true
      (?:)              ~ %20             ~ true
      """)
  void matchesAsEcma262Does(String pattern, String text, boolean wanted) throws BadPattern {
    assertEquals(wanted, TextPattern.of(pattern).isIn(URLDecoder.decode(text, UTF_8)));
  }

  /** A pattern without a choice goes a way of its own; in a group it takes that of all others. */
  @Test
  void whatLeavesNoChoiceMatchesAsEverythingDoes() throws BadPattern {
    Random random = new Random(25);
    int matched = 0;
    for (int i = 0; i < 4_000; i++) {
      StringBuilder made = new StringBuilder("^");
      for (int parts = random.nextInt(4); parts >= 0; parts--) {
        made.append(PARTS.get(random.nextInt(PARTS.size())));
        made.append(COUNTS.get(random.nextInt(COUNTS.size())));
      }
      String source = made + (random.nextBoolean() ? "$" : "");
      TextPattern pattern = TextPattern.of(source);
      TextPattern grouped = TextPattern.of("(?:" + source + ")");
      for (int j = 0; j < 20; j++) {
        StringBuilder text = new StringBuilder();
        for (int length = random.nextInt(7); length > 0; length--) {
          text.appendCodePoint(LETTERS[random.nextInt(LETTERS.length)]);
        }
        boolean wanted = grouped.isIn(text.toString());
        matched += wanted ? 1 : 0;
        assertEquals(wanted, pattern.isIn(text.toString()), source + " in " + text);
      }
    }
    assertTrue(matched > 5_000, "it matched " + matched);
  }

  @ParameterizedTest
  @CsvSource(delimiter = '~', quoteCharacter = '`', textBlock = """
      a**        ~ there is nothing to repeat in the pattern, at character 3
      a++        ~ there is nothing to repeat in the pattern, at character 3
      *a         ~ there is nothing to repeat in the pattern, at character 1
      (a         ~ a group is not closed in the pattern, at character 1
      a)         ~ a group is closed that was not opened in the pattern, at character 2
      [a         ~ brackets are not closed in the pattern, at character 1
      (?i)a      ~ a group of an unknown kind begins in the pattern, at character 1
      (?>a)      ~ a group of an unknown kind begins in the pattern, at character 1
      \\Aa       ~ \\A means nothing in ECMA-262 in the pattern, at character 1
      a\\Z       ~ \\Z means nothing in ECMA-262 in the pattern, at character 2
      \\a        ~ \\a means nothing in ECMA-262 in the pattern, at character 1
      \\1        ~ there is no group 1 in the pattern, at character 1
      \\k<no>    ~ a reference names no group in the pattern, at character 1
      \\01       ~ an octal number means nothing in ECMA-262 in the pattern, at character 1
      \\u12      ~ a number of a character is broken in the pattern, at character 1
      \\u{110000} ~ there is no such character in the pattern, at character 1
      \\p{Bees}  ~ there is no property of Unicode called 'Bees' in the pattern, at character 1
      [b-a]      ~ a range goes from more to less in the pattern, at character 2
      a{2,1}     ~ a count goes from more to less in the pattern, at character 2
      \\         ~ a backslash at the end escapes nothing in the pattern, at character 1
      """)
  void whatIsNoPatternSaysWhere(String pattern, String reason) {
    BadPattern bad = assertThrows(BadPattern.class, () -> TextPattern.of(pattern));
    assertTrue(
        String.valueOf(bad.getMessage()).startsWith(reason + ":\n  " + pattern), bad.getMessage());
  }
}
