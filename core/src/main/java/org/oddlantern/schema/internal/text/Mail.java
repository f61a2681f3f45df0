package org.oddlantern.schema.internal.text;

import java.util.regex.Pattern;

/** Mailboxes (RFC 5321, section 4.1.2), and those in any script (RFC 6531). */
public final class Mail {

  private static final String ATOM = "[A-Za-z0-9!#$%&'*+/=?^_`{|}~-]";

  private static final Pattern LOCAL = Pattern.compile(
      ATOM + "+(\\." + ATOM + "+)*+|\"([\\x20\\x21\\x23-\\x5B\\x5D-\\x7E]|\\\\[\\x20-\\x7E])*+\"");

  private Mail() {}

  /** Whether a text is the address of a mailbox. */
  public static boolean isAddress(String text) {
    int at = text.lastIndexOf('@');
    return at > 0
        && LOCAL.matcher(text.substring(0, at)).matches()
        && isDomain(text.substring(at + 1), false);
  }

  static boolean isUnicodeAddress(String text) {
    int at = text.lastIndexOf('@');
    if (at <= 0) {
      return false;
    }
    String local = text.substring(0, at).replaceAll("[^\\x00-\\x7F]", "x");
    return LOCAL.matcher(local).matches() && isDomain(text.substring(at + 1), true);
  }

  private static boolean isDomain(String domain, boolean anyScript) {
    if (domain.startsWith("[") && domain.endsWith("]")) {
      String address = domain.substring(1, domain.length() - 1);
      return address.regionMatches(true, 0, "IPv6:", 0, 5)
          ? Addresses.isVersion6(address.substring(5))
          : Addresses.isVersion4(address);
    }
    return anyScript ? UnicodeHosts.isName(domain) : Hosts.isName(domain);
  }
}
