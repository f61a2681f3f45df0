package org.oddlantern.http;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Secret;

/**
 * What proves to a service who is calling. Immutable and thread-safe; printing it shows no secret.
 *
 * <pre>{@code
 * env.service("beeyard").credentials(Credentials.basic("wren", password))
 * env.service("beeyard").credentials(Credentials.fetchedBy(
 *         Call.post("/sign-in").json(Map.of("keeper", "wren", "password", password)), "$.token"))
 * }</pre>
 */
public final class Credentials {

  /** None at all. */
  static final Credentials NONE =
      new Credentials("none", (request, tokens) -> request, List.of(), null);

  private final String words;
  private final Proof proof;
  private final List<Secret> secrets;
  private final @Nullable TokenCall source;

  private Credentials(String words, Proof proof, List<Secret> secrets, @Nullable TokenCall source) {
    this.words = words;
    this.proof = proof;
    this.secrets = secrets;
    this.source = source;
  }

  /**
   * A bearer token (RFC 6750, section 2.1).
   *
   * @param token the token
   * @return the credentials
   */
  public static Credentials bearer(Secret token) {
    return new Credentials(
        "bearer",
        (request, tokens) -> request.with("Authorization", "Bearer " + token.reveal()),
        List.of(token),
        null);
  }

  /**
   * A user with a password (Basic, RFC 7617, in UTF-8).
   *
   * @param user the user's name, without a colon
   * @param password the password
   * @return the credentials
   * @throws IllegalArgumentException if there is a colon in the name
   */
  public static Credentials basic(String user, Secret password) {
    Needed.of(user, "basic(user, password): user");
    Needed.of(password, "basic(user, password): password");
    if (user.indexOf(':') >= 0) {
      throw new IllegalArgumentException(
          "a user's name cannot have a colon in it (RFC 7617, section 2): " + user);
    }
    String pair = Base64.getEncoder()
        .encodeToString((user + ":" + password.reveal()).getBytes(StandardCharsets.UTF_8));
    return new Credentials(
        "basic",
        (request, tokens) -> request.with("Authorization", "Basic " + pair),
        List.of(password, Secret.of(pair)),
        null);
  }

  /**
   * A key in a header.
   *
   * @param name the name of the header
   * @param key the key
   * @return the credentials
   */
  public static Credentials keyInHeader(String name, Secret key) {
    Needed.of(name, "keyInHeader(name, key): name");
    return new Credentials(
        "key in the header " + name,
        (request, tokens) -> request.with(name, key.reveal()),
        List.of(key),
        null);
  }

  /**
   * A key in the query.
   *
   * @param name the name of the parameter
   * @param key the key
   * @return the credentials
   */
  public static Credentials keyInQuery(String name, Secret key) {
    Needed.of(name, "keyInQuery(name, key): name");
    return new Credentials(
        "key in the query as " + name,
        (request, tokens) -> request.to(Address.withParameter(request.uri(), name, key.reveal())),
        List.of(key),
        null);
  }

  /**
   * A bearer token that a call to the same service fetches: once in a run, and again when a reply says
   * 401. The call itself is sent without credentials, also where an environment is read-only.
   *
   * @param signIn the call
   * @param path where the token is in its reply
   * @return the credentials
   */
  public static Credentials fetchedBy(Call signIn, String path) {
    Needed.of(signIn, "fetchedBy(signIn, path): signIn");
    Needed.of(path, "fetchedBy(signIn, path): path");
    return fetched("fetched by " + signIn, new TokenCall(signIn, path));
  }

  /**
   * The client credentials grant of OAuth 2 (RFC 6749, section 4.4). The token is fetched once in a run,
   * and again when it expires or a reply says 401.
   *
   * @param tokenUrl the token endpoint, absolute or below the address of the service
   * @param clientId the client's identifier
   * @param clientSecret the client's secret, sent as RFC 6749, section 2.3.1 says
   * @param scopes the scopes to ask for; none for the server's standard ones
   * @return the credentials
   */
  public static Credentials clientCredentials(
      String tokenUrl, String clientId, Secret clientSecret, String... scopes) {
    Needed.of(tokenUrl, "clientCredentials(tokenUrl, clientId, clientSecret, scopes): tokenUrl");
    Needed.of(clientId, "clientCredentials(tokenUrl, clientId, clientSecret, scopes): clientId");
    Needed.of(
        clientSecret, "clientCredentials(tokenUrl, clientId, clientSecret, scopes): clientSecret");
    Needed.of(scopes, "clientCredentials(tokenUrl, clientId, clientSecret, scopes): scopes");
    Secret encoded = Secret.of(PercentEncoding.form(clientSecret.reveal()));
    Call call = Call.post(tokenUrl.replace("{", "%7B"))
        .credentials(basic(PercentEncoding.form(clientId), encoded))
        .form("grant_type", "client_credentials")
        .header("Accept", "application/json")
        .named("fetch a token");
    if (scopes.length > 0) {
      call = call.form("scope", String.join(" ", scopes));
    }
    return fetched("client credentials", new TokenCall(call, "$.access_token"));
  }

  private static Credentials fetched(String words, TokenCall source) {
    return new Credentials(
        words,
        (request, tokens) ->
            request.with("Authorization", "Bearer " + tokens.of(source).reveal()),
        List.of(),
        source);
  }

  /** How the token is fetched; null if it is not. */
  @Nullable
  TokenCall source() {
    return source;
  }

  WireRequest on(WireRequest request, Tokens tokens) {
    return proof.on(request, tokens);
  }

  List<Secret> secrets() {
    return secrets;
  }

  @Override
  public String toString() {
    return words;
  }

  /** Puts the proof on a request. */
  @FunctionalInterface
  interface Proof {
    WireRequest on(WireRequest request, Tokens tokens);
  }

  /** Gives the tokens that have to be fetched. */
  @FunctionalInterface
  interface Tokens {
    Secret of(TokenCall source);
  }

  /** How a token is fetched. */
  record TokenCall(Call call, String path) {}
}
