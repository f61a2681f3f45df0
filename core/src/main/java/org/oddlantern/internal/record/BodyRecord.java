package org.oddlantern.internal.record;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A body as recorded.
 *
 * @param bytes its size as it was on the wire, content encodings undone
 * @param text the text, secrets masked; null if it is no text, was streamed, or lies in a file
 * @param file the file beside the journal that holds the text or the picture, or null
 * @param parts the parts, if it is a multipart form
 * @param picture the bytes of a picture until they are written; null in a journal
 */
public record BodyRecord(
    long bytes,
    @Nullable String text,
    @Nullable String file,
    List<FormPart> parts,
    @Nullable Octets picture) {

  /** No body. */
  public static final BodyRecord NONE = new BodyRecord(0, null, null, List.of());

  /** Keeps its own list. */
  public BodyRecord {
    parts = List.copyOf(parts);
  }

  /**
   * A body that is no picture.
   *
   * @param bytes its size
   * @param text the text, or null
   * @param file the file that holds the text, or null
   * @param parts the parts of a form
   */
  public BodyRecord(
      long bytes, @Nullable String text, @Nullable String file, List<FormPart> parts) {
    this(bytes, text, file, parts, null);
  }

  /**
   * Whether it lies in a file as a picture.
   *
   * @return true if its file is one that browsers show
   */
  public boolean isPicture() {
    return file != null && !file.endsWith(".txt");
  }

  /**
   * A part of a multipart form.
   *
   * @param name the name of its field
   * @param fileName the file name it travels under; empty if it has none
   * @param contentType its media type; empty if it has none
   * @param bytes its size
   * @param text the text, secrets masked; null if it is no text or was streamed
   */
  public record FormPart(
      String name,
      String fileName,
      String contentType,
      long bytes,
      @Nullable String text) {

    /**
     * The part in one line.
     *
     * @return {@code photo: queen.png, image/png, 2048 bytes}, or the text of a short field
     */
    public String words() {
      if (text != null && fileName.isEmpty() && contentType.isEmpty()) {
        return name + ": " + text;
      }
      return name + ": " + (fileName.isEmpty() ? "" : fileName + ", ")
          + (contentType.isEmpty() ? "" : contentType + ", ") + bytes + " bytes";
    }
  }
}
