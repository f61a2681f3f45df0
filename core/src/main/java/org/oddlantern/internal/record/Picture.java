package org.oddlantern.internal.record;

import java.util.Locale;
import java.util.Map;

/** Which bodies are pictures that every browser shows and that cannot do anything. */
public final class Picture {

  private static final Map<String, String> ENDINGS = Map.of(
      "image/png", ".png",
      "image/jpeg", ".jpg",
      "image/gif", ".gif",
      "image/webp", ".webp",
      "image/avif", ".avif",
      "image/bmp", ".bmp");

  private Picture() {}

  /** Whether browsers show what has that media type. */
  public static boolean isOne(String contentType) {
    return ENDINGS.containsKey(bare(contentType));
  }

  /** How a file of it is called at its end. */
  public static String ending(byte[] bytes, String otherwise) {
    if (bytes.length > 3 && bytes[0] == (byte) 0x89 && bytes[1] == 'P') {
      return ".png";
    }
    if (bytes.length > 3 && bytes[0] == (byte) 0xff && bytes[1] == (byte) 0xd8) {
      return ".jpg";
    }
    if (bytes.length > 3 && bytes[0] == 'G' && bytes[1] == 'I' && bytes[2] == 'F') {
      return ".gif";
    }
    return otherwise;
  }

  private static String bare(String contentType) {
    int end = contentType.indexOf(';');
    return (end < 0 ? contentType : contentType.substring(0, end)).trim().toLowerCase(Locale.ROOT);
  }
}
