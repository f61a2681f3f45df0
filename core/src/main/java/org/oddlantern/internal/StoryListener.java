package org.oddlantern.internal;

/** Hears what the case at work tells about itself. */
public interface StoryListener {

  /**
   * A part of the case begins.
   *
   * @param words what it is about
   */
  void step(String words);

  /**
   * Something is to be kept with the results.
   *
   * @param name a name for people, like that of a file
   * @param contentType its media type
   * @param content its bytes
   */
  void kept(String name, String contentType, byte[] content);
}
