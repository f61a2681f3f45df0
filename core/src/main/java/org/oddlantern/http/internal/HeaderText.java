package org.oddlantern.http.internal;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;

/**
 * The values of headers as text: UTF-8 where they are, else a letter for each byte (RFC 9110, section
 * 5.5). A byte of a cookie that is no UTF-8 stands as half of a pair of surrogates, so that it goes back
 * as the byte that it was. The client gives and takes a letter for each byte.
 */
final class HeaderText {

  private static final int ESCAPED = 0xDC00;

  private HeaderText() {}

  /** The value as text. */
  static String came(String name, String octets) {
    if (isAscii(octets)) {
      return octets;
    }
    byte[] bytes = octets.getBytes(StandardCharsets.ISO_8859_1);
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException e) {
      return name.equalsIgnoreCase("Set-Cookie") ? escaped(octets) : octets;
    }
  }

  /** The text with a letter for each byte that is sent. */
  static String toSend(String text) {
    if (isAscii(text)) {
      return text;
    }
    StringBuilder octets = new StringBuilder();
    for (int i = 0; i < text.length(); i += Character.charCount(text.codePointAt(i))) {
      int point = text.codePointAt(i);
      if (point >= ESCAPED + 0x80 && point <= ESCAPED + 0xFF) {
        octets.append((char) (point - ESCAPED));
      } else {
        byte[] bytes = Character.toString(point).getBytes(StandardCharsets.UTF_8);
        octets.append(new String(bytes, StandardCharsets.ISO_8859_1));
      }
    }
    return octets.toString();
  }

  private static String escaped(String octets) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < octets.length(); i++) {
      char c = octets.charAt(i);
      text.append(c < 0x80 ? c : (char) (c + ESCAPED));
    }
    return text.toString();
  }

  private static boolean isAscii(String text) {
    for (int i = 0; i < text.length(); i++) {
      if (text.charAt(i) > 127) {
        return false;
      }
    }
    return true;
  }
}
