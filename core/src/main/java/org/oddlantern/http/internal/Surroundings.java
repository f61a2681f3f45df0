package org.oddlantern.http.internal;

/**
 * Where a service works.
 *
 * @param transport brings requests and replies
 * @param recorder hears of them
 * @param cookies those that the case was given
 * @param tokens those that the run has fetched
 * @param readOnly why nothing but safe methods may be sent; empty if everything may
 */
public record Surroundings(
    Transport transport,
    CaseRecorder recorder,
    CookieJar cookies,
    TokenStore tokens,
    String readOnly) {

  /** The same with somebody else's case hearing of it; who is signed in, and as what, stays. */
  Surroundings heardBy(Surroundings other) {
    boolean again = other.recorder.answering().isAgain();
    CookieJar own = again ? other.cookies.borrowed(cookies) : cookies;
    return new Surroundings(transport, other.recorder, own, tokens, readOnly);
  }

  /** Outside of a run: everything of one's own, nobody hears. */
  public static Surroundings alone() {
    return new Surroundings(
        new PooledTransport(), CaseRecorder.NONE, new CookieJar(), new TokenStore(), "");
  }
}
