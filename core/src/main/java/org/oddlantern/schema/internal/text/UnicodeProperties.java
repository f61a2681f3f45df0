package org.oddlantern.schema.internal.text;

import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;
import org.jspecify.annotations.Nullable;

/** The properties of Unicode that ECMA-262 knows by name (tables 65 to 68), as the platform calls them. */
final class UnicodeProperties {

  private static final Map<String, String> CATEGORIES = Map.ofEntries(
      Map.entry("Letter", "L"),
      Map.entry("Cased_Letter", "LC"),
      Map.entry("Uppercase_Letter", "Lu"),
      Map.entry("Lowercase_Letter", "Ll"),
      Map.entry("Titlecase_Letter", "Lt"),
      Map.entry("Modifier_Letter", "Lm"),
      Map.entry("Other_Letter", "Lo"),
      Map.entry("Mark", "M"),
      Map.entry("Combining_Mark", "M"),
      Map.entry("Nonspacing_Mark", "Mn"),
      Map.entry("Spacing_Mark", "Mc"),
      Map.entry("Enclosing_Mark", "Me"),
      Map.entry("Number", "N"),
      Map.entry("Decimal_Number", "Nd"),
      Map.entry("digit", "Nd"),
      Map.entry("Letter_Number", "Nl"),
      Map.entry("Other_Number", "No"),
      Map.entry("Punctuation", "P"),
      Map.entry("punct", "P"),
      Map.entry("Connector_Punctuation", "Pc"),
      Map.entry("Dash_Punctuation", "Pd"),
      Map.entry("Open_Punctuation", "Ps"),
      Map.entry("Close_Punctuation", "Pe"),
      Map.entry("Initial_Punctuation", "Pi"),
      Map.entry("Final_Punctuation", "Pf"),
      Map.entry("Other_Punctuation", "Po"),
      Map.entry("Symbol", "S"),
      Map.entry("Math_Symbol", "Sm"),
      Map.entry("Currency_Symbol", "Sc"),
      Map.entry("Modifier_Symbol", "Sk"),
      Map.entry("Other_Symbol", "So"),
      Map.entry("Separator", "Z"),
      Map.entry("Space_Separator", "Zs"),
      Map.entry("Line_Separator", "Zl"),
      Map.entry("Paragraph_Separator", "Zp"),
      Map.entry("Other", "C"),
      Map.entry("Control", "Cc"),
      Map.entry("cntrl", "Cc"),
      Map.entry("Format", "Cf"),
      Map.entry("Surrogate", "Cs"),
      Map.entry("Private_Use", "Co"),
      Map.entry("Unassigned", "Cn"));

  private static final Map<String, String> BINARY = Map.ofEntries(
      Map.entry("ASCII", "ASCII"),
      Map.entry("ASCII_Hex_Digit", "XDigit"),
      Map.entry("AHex", "XDigit"),
      Map.entry("Alphabetic", "IsAlphabetic"),
      Map.entry("Alpha", "IsAlphabetic"),
      Map.entry("Assigned", "IsAssigned"),
      Map.entry("Hex_Digit", "IsHex_Digit"),
      Map.entry("Hex", "IsHex_Digit"),
      Map.entry("Ideographic", "IsIdeographic"),
      Map.entry("Ideo", "IsIdeographic"),
      Map.entry("Lowercase", "IsLowercase"),
      Map.entry("Lower", "IsLowercase"),
      Map.entry("Uppercase", "IsUppercase"),
      Map.entry("Upper", "IsUppercase"),
      Map.entry("White_Space", "IsWhite_Space"),
      Map.entry("space", "IsWhite_Space"),
      Map.entry("Noncharacter_Code_Point", "IsNoncharacter_Code_Point"),
      Map.entry("Join_Control", "IsJoin_Control"),
      Map.entry("Emoji", "IsEmoji"),
      Map.entry("Emoji_Presentation", "IsEmoji_Presentation"),
      Map.entry("Emoji_Modifier", "IsEmoji_Modifier"),
      Map.entry("Emoji_Modifier_Base", "IsEmoji_Modifier_Base"),
      Map.entry("Emoji_Component", "IsEmoji_Component"),
      Map.entry("Extended_Pictographic", "IsExtended_Pictographic"));

  private static final Set<String> OF_CATEGORY = Set.of("General_Category", "gc");
  private static final Set<String> OF_SCRIPT = Set.of("Script", "sc", "Script_Extensions", "scx");

  private UnicodeProperties() {}

  /** The platform's name; null if there is no such property, or this platform does not know it. */
  static @Nullable String of(String name) {
    int equals = name.indexOf('=');
    if (equals < 0) {
      String category = category(name);
      String binary = BINARY.get(name);
      return category != null ? category : binary == null ? null : known(binary);
    }
    String key = name.substring(0, equals);
    String value = name.substring(equals + 1);
    if (OF_CATEGORY.contains(key)) {
      return category(value);
    }
    return OF_SCRIPT.contains(key) ? known("script=" + value.toUpperCase(Locale.ROOT)) : null;
  }

  private static @Nullable String category(String name) {
    String known = CATEGORIES.get(name);
    return known != null ? known : CATEGORIES.containsValue(name) ? name : null;
  }

  private static @Nullable String known(String property) {
    try {
      Pattern.compile("\\p{" + property + "}");
      return property;
    } catch (PatternSyntaxException e) {
      return null;
    }
  }
}
