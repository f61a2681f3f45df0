package org.oddlantern.evidence.internal;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A body as text, by the charset that its content type declares, else UTF-8.
 *
 * @param text the text; what cannot be decoded stands as U+FFFD
 * @param problem what is wrong with its encoding, in a sentence; empty if nothing is
 */
public record BodyText(String text, String problem) {

  private static final Pattern CHARSET =
      Pattern.compile("charset\\s*=\\s*\"?([^\\s;\"]+)", Pattern.CASE_INSENSITIVE);

  /** The text of a body. */
  public static BodyText of(String contentType, byte[] bytes) {
    String declared = contentType.indexOf(';') < 0 ? "" : declared(contentType);
    if (declared.isEmpty()) {
      String text = new String(bytes, StandardCharsets.UTF_8);
      if (text.indexOf('\uFFFD') < 0) {
        return new BodyText(text, ""); // nearly always, and much faster
      }
    }
    Charset charset = known(declared);
    String problem = charset == null
        ? "the charset '" + declared + "' that it declares is unknown; it is shown as UTF-8"
        : "";
    Charset used = charset == null ? StandardCharsets.UTF_8 : charset;
    try {
      return new BodyText(used.newDecoder().decode(ByteBuffer.wrap(bytes)).toString(), problem);
    } catch (CharacterCodingException e) {
      String undecodable = "not all of its bytes are " + used.name()
          + (declared.isEmpty() ? "" : ", which it declares") + "; those are shown as \uFFFD";
      return new BodyText(new String(bytes, used), problem.isEmpty() ? undecodable : problem);
    }
  }

  /** The charset that a content type declares; empty if none. */
  public static String declared(String contentType) {
    Matcher matcher = CHARSET.matcher(contentType);
    return matcher.find() ? matcher.group(1) : "";
  }

  private static @Nullable Charset known(String name) {
    try {
      return name.isEmpty() ? StandardCharsets.UTF_8 : Charset.forName(name);
    } catch (IllegalArgumentException e) {
      return null; // a name nobody knows must not hide the body
    }
  }
}
