package org.oddlantern.junit.sample;

import org.oddlantern.suite.Case;

/** Takes what nobody makes. */
public class Unplannable {

  record Queen(String colour) {}

  @Case("a queen is marked")
  void marked(Queen queen) {}

  @Case("a queen is found")
  void found() {}
}
