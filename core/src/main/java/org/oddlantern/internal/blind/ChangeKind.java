package org.oddlantern.internal.blind;

/** The ways in which a place of an answer is changed. */
enum ChangeKind {
  OTHER_STATUS(Aspect.VALUE, 1, "another status of its class"),
  FAILURE(Aspect.KIND, 0, "500 with the same body"),
  SUCCESS(Aspect.KIND, 0, "200 with the same body"),
  NO_BODY(Aspect.ABSENCE, 0, "an empty body"),
  OTHER_KIND(Aspect.KIND, 1, "another kind of value"),
  ONE_MORE(Aspect.VALUE, 2, "a number that is one higher"),
  ONE_LESS(Aspect.VALUE, 2, "a number that is one lower"),
  OTHER_TEXT(Aspect.VALUE, 2, "another text"),
  OTHER_TRUTH(Aspect.VALUE, 2, "the other of true and false"),
  SEEN_ELSEWHERE(Aspect.VALUE, 2, "a value seen elsewhere in the same place"),
  MISSING(Aspect.ABSENCE, 3, "that it is missing"),
  NULL(Aspect.NULL, 4, "null"),
  EMPTY(Aspect.SIZE, 5, "an empty list"),
  SHORTER(Aspect.SIZE, 5, "a list without its last item"),
  DOUBLED(Aspect.SIZE, 5, "a list with its first item twice"),
  OTHER_ORDER(Aspect.ORDER, 5, "another order of its items");

  private final Aspect aspect;
  private final int round;
  private final String words;

  ChangeKind(Aspect aspect, int round, String words) {
    this.aspect = aspect;
    this.round = round;
    this.words = words;
  }

  Aspect aspect() {
    return aspect;
  }

  /** Changes are tried in rounds, so that where there are too many each place has its share. */
  int round() {
    return round;
  }

  /** What comes instead, in words that go on from <em>nobody would notice</em>. */
  String words() {
    return words;
  }
}
