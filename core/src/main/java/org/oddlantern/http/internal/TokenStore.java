package org.oddlantern.http.internal;

import java.time.Instant;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Secret;

/** The tokens a run has fetched; each is fetched once, whoever asks first. Thread-safe. */
public final class TokenStore {

  private final Map<Object, Holder> holders = new ConcurrentHashMap<>();

  /**
   * The token in use, fetched if there is none or if it has expired.
   *
   * @param key what the token is fetched by
   * @param fetch fetches one
   * @return the token
   */
  public Secret current(Object key, Supplier<Token> fetch) {
    return holders.computeIfAbsent(key, any -> new Holder()).token(null, fetch);
  }

  /**
   * A token in the stead of one that was refused; fetched unless somebody else did already.
   *
   * @param key what the token is fetched by
   * @param refused the one that was refused
   * @param fetch fetches one
   * @return the token
   */
  public Secret renewed(Object key, Secret refused, Supplier<Token> fetch) {
    return holders.computeIfAbsent(key, any -> new Holder()).token(refused, fetch);
  }

  /**
   * A token as fetched.
   *
   * @param secret the token
   * @param until when it expires; null if nobody said
   */
  public record Token(Secret secret, @Nullable Instant until) {

    private boolean serves(@Nullable Secret refused) {
      return (refused == null || !secret.equals(refused))
          && (until == null || Instant.now().isBefore(until));
    }
  }

  private static final class Holder {
    private @Nullable Token token;

    synchronized Secret token(@Nullable Secret refused, Supplier<Token> fetch) {
      Token held = token;
      if (held == null || !held.serves(refused)) {
        held = fetch.get();
        token = held;
      }
      return held.secret();
    }
  }
}
