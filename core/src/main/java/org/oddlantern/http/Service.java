package org.oddlantern.http;

import java.net.URI;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Base64;
import java.util.List;
import java.util.function.IntFunction;
import java.util.function.UnaryOperator;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.internal.HeaderRules;
import org.oddlantern.http.internal.CurrentSurroundings;
import org.oddlantern.http.internal.DescribedBy;
import org.oddlantern.http.internal.FixedAddress;
import org.oddlantern.http.internal.Security;
import org.oddlantern.http.internal.ServiceLog;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.Secret;
import org.oddlantern.json.internal.JsonMapping;

/**
 * An HTTP API under test: its address and what is said once for every call. Immutable and thread-safe:
 * what says more of it gives a changed copy.
 *
 * <p>The {@code Environment} takes services from the settings; {@link #reachedAt} needs an address only:
 *
 * <pre>{@code
 * Service beeyard = Service.reachedAt("http://127.0.0.1:7411/api");
 * beeyard.send(Call.get("/hives")).must(status(200));
 * }</pre>
 */
public final class Service {

  private final Profile profile;
  private final CurrentSurroundings surroundings;

  private Service(Profile profile, CurrentSurroundings surroundings) {
    this.profile = profile;
    this.surroundings = surroundings;
  }

  /**
   * A service at an address, with the standard limits and no credentials. Used by code that a case
   * runs, its exchanges belong to that case; elsewhere nothing is recorded.
   *
   * @param url an absolute http or https URL, with a base path or without
   * @throws IllegalArgumentException if it is no such URL
   */
  public static Service reachedAt(String url) {
    Profile profile = Profile.at(url);
    Profile placed = FixedAddress.isWanted() ? profile.base(profile.base().staying()) : profile;
    return new Service(placed, CurrentSurroundings.ofWhoeverMakes());
  }

  /** This service under a name, for reports; one from the settings has its name there. */
  public Service named(String name) {
    Needed.of(name, "named(name): name");
    return with(profile.base(profile.base().named(name)));
  }

  /**
   * This service at another address; one whose address the command line set stays where it is.
   *
   * @param url an absolute http or https URL
   * @throws IllegalArgumentException if it is no such URL
   */
  public Service movedTo(String url) {
    String checked = Profile.checked(url);
    return profile.base().kept() ? this : with(profile.at(Place.of(checked)));
  }

  /**
   * This service with a header on every call that does not set it itself.
   *
   * @param name the name
   * @param value the value, by its {@code toString}; a {@link Secret} is revealed to the service alone
   * @throws IllegalArgumentException if it cannot be in a header
   */
  public Service header(String name, Object value) {
    return with(profile.defaults(profile.defaults().with(name, value)));
  }

  /** This service without a header that it or this library would send; the name in any case. */
  public Service withoutHeader(String name) {
    Needed.of(name, "withoutHeader(name): name");
    return with(profile.defaults(profile.defaults().without(name)));
  }

  /**
   * This service with another header to name run and case, by which a call can be found in the logs of
   * the service; {@code Odd-Lantern-Case} unless set.
   *
   * @param name the name of the header; empty sends none
   */
  public Service caseHeader(String name) {
    Needed.of(name, "caseHeader(name): name");
    if (!name.isEmpty()) {
      HeaderRules.toSend(name, "");
    }
    return with(profile.defaults(profile.defaults().caseHeader(name)));
  }

  /**
   * This service with or without a trace (W3C Trace Context). Every call of a case brings the header
   * {@code traceparent}, of one trace for each attempt of the case, by which a service that passes it on
   * can be followed through logs and traces. A call's or service's own header of that name stays. In a
   * read-only environment nobody is asked to record the trace.
   *
   * @param traced whether the header is sent; it is unless this says otherwise
   */
  public Service traced(boolean traced) {
    return with(profile.defaults(profile.defaults().traced(traced)));
  }

  /**
   * This service with the place where its traces can be looked at, to which a failure links.
   *
   * @param address an address with {@code {id}} where the trace is: 32 hexadecimal digits
   * @throws IllegalArgumentException if it is no http or https address, or has no such place
   */
  public Service tracesAt(String address) {
    return with(profile.base(profile.base().tracesAt(Profile.traces(address))));
  }

  /**
   * This service with the file into which it writes its log. Where a call fails, the lines that belong to
   * it are reported with it: those that name its trace or its case, else those that were written while it was
   * under way.
   *
   * @param file the file, which need not be there yet; it may be rotated and cut
   */
  public Service loggingTo(Path file) {
    Needed.of(file, "loggingTo(file): file");
    return with(profile.base(profile.base().logging(new ServiceLog(file.toAbsolutePath()))));
  }

  /**
   * This service with its description (OpenAPI 3.0 or 3.1), against which calls and replies are held. What
   * is otherwise is reported at the end of the run and fails nothing, unless {@code always(asDescribed())}.
   *
   * @param description a file, as for schemas; or the path at which the service gives it: {@code /openapi.json}
   * @throws IllegalArgumentException if there is no such file, or it cannot be used
   */
  public Service describedBy(String description) {
    Needed.of(description, "describedBy(description): description");
    return with(profile.base(profile.base().described(DescribedBy.found(description))));
  }

  /** This service with a bearer token (RFC 6750) on every call that does not bring its own. */
  public Service bearer(Secret token) {
    return credentials(Credentials.bearer(token));
  }

  /** This service with credentials on every call that does not bring its own. */
  public Service credentials(Credentials own) {
    Needed.of(own, "credentials(own): own");
    return with(profile.credentials(own));
  }

  /**
   * This service with its credentials sent to another origin too, where a call to an absolute URL or a
   * redirect leads there. Else they stay with the service's own.
   *
   * <pre>{@code
   * beeyard.credentialsAlsoTo("https://photos.example.org").send(Call.get(photo))
   * }</pre>
   *
   * @param url an address there
   * @throws IllegalArgumentException if it is no such address
   */
  public Service credentialsAlsoTo(String url) {
    return with(profile.base(profile.base().proving(Profile.checked(url))));
  }

  /**
   * This service without credentials, to see what it does to whoever is not signed in. Cookies that the
   * case was given still go there; {@link Call#anonymously} leaves them out too.
   */
  public Service anonymously() {
    return with(profile.credentials(Credentials.NONE));
  }

  /**
   * This service with a limit for every call that does not set its own; 30 s if never set.
   *
   * @param limit from sending to the last byte of the reply, redirects included; more than zero
   */
  public Service timeout(Duration limit) {
    return with(profile.terms(profile.terms().within(Limits.positive(limit))));
  }

  /** This service with a limit for making a connection, of more than zero; 5 s if never set. */
  public Service connectTimeout(Duration limit) {
    return with(profile.terms(profile.terms().connectedWithin(Limits.positive(limit))));
  }

  /**
   * This service with a limit for the body of a reply, content encodings undone; 64 MiB if never set.
   *
   * @param bytes 0 or more
   */
  public Service bodyLimit(long bytes) {
    if (bytes < 0) {
      throw new IllegalArgumentException("a limit for bodies must be 0 or more, not " + bytes);
    }
    return with(profile.terms(profile.terms().bodyUpTo(bytes)));
  }

  /**
   * This service with redirects followed (RFC 9110, section 15.4); they are shown as they are if never
   * set. Credentials are not sent along to another host.
   *
   * @param limit how many to follow; 0 shows them as they are
   */
  public Service followingRedirects(int limit) {
    return with(profile.redirects(Limits.redirects(limit)));
  }

  /**
   * This service with checks made on every reply, at the end of the case; where the case made a check
   * of the same subject (the status, that header, that path), only the case's is made. Outside a run
   * they are made with the first checks.
   *
   * @param first a check
   * @param more more checks
   */
  public Service always(Check first, Check... more) {
    Needed.of(more, "always(first, more): more");
    return with(profile.alsoMaking(first, more));
  }

  /**
   * This service with certificates trusted beside those that the JDK trusts.
   *
   * @param file a PEM file on the class path of the suites or in the folder of the settings file
   * @throws IllegalArgumentException if there is no such file
   */
  public Service trusting(String file) {
    String pem = Resources.current().text(file);
    return with(
        profile.terms(profile.terms().securedBy(profile.terms().security().trusting(pem))));
  }

  /**
   * This service with any certificate trusted, whatever host it names: for test environments only,
   * since nobody knows then who answers.
   */
  public Service trustingAny() {
    return with(
        profile.terms(profile.terms().securedBy(profile.terms().security().trustingAny())));
  }

  /**
   * This service with a client certificate.
   *
   * @param certificateFile the certificate, or a chain of them, as PEM
   * @param keyFile its private key, as PEM in PKCS #8 (RFC 5958), not encrypted
   * @throws IllegalArgumentException if there is no such file
   */
  public Service clientCertificate(String certificateFile, String keyFile) {
    Needed.of(keyFile, "clientCertificate(certificateFile, keyFile): keyFile");
    Resources files = Resources.current();
    return as(new Security.Identity(files.text(certificateFile), files.text(keyFile), "", ""));
  }

  /**
   * This service with a client certificate from a PKCS #12 file (RFC 7292).
   *
   * @param keyStoreFile the file
   * @param password its password
   * @throws IllegalArgumentException if there is no such file
   */
  public Service clientCertificate(String keyStoreFile, Secret password) {
    Needed.of(password, "clientCertificate(keyStoreFile, password): password");
    String store = Base64.getEncoder().encodeToString(Resources.current().bytes(keyStoreFile));
    return as(new Security.Identity("", "", store, password.reveal()));
  }

  /** This service by way of an HTTP proxy at an address like {@code http://proxy.example.org:3128}. */
  public Service viaProxy(String url) {
    URI proxy = URI.create(Profile.checked(url));
    return with(profile.terms(profile.terms().through(proxy)));
  }

  /**
   * This service with values written and read by a mapper of one's own, so that they travel as the service
   * has them. Secrets, key records and payloads inside them still travel as they do here, by Jackson 2 and
   * 3 wherever they are, by others in maps and lists.
   *
   * @param mapper an {@code ObjectMapper} of Jackson 2 or 3, which is copied, not changed; anything else
   *     with such a pair of methods ({@code toJson(Object)} and {@code fromJson(String, Class)}); or a
   *     {@link org.oddlantern.json.JsonCodec}
   * @throws IllegalArgumentException if it is none of these
   */
  public Service mapper(Object mapper) {
    Needed.of(mapper, "mapper(mapper): mapper");
    return with(profile.mapping(JsonMapping.of(mapper)));
  }

  /**
   * This service with a hook that sees every finished request, credentials and cookies included, and
   * gives the one that is sent: the place for signatures.
   *
   * <pre>{@code
   * beeyard.beforeSending(request -> request.with("Signature", sign(request.uri(), request.body())))
   * }</pre>
   *
   * @param hook gives the request to send; used by several threads
   */
  public Service beforeSending(UnaryOperator<WireRequest> hook) {
    Needed.of(hook, "beforeSending(hook): hook");
    return with(profile.finish(hook));
  }

  /**
   * Sends a call and waits for the whole reply.
   *
   * @param call what to send
   * @return the reply, whatever its status
   * @throws NoReply if no whole reply was received: refused, too slow, cut off, too large, not HTTP
   * @throws NotSent if the environment is read-only, credentials could not be fetched, or the case has ended
   * @throws IllegalArgumentException if the call makes no valid address or its body cannot be written
   */
  public Reply send(Call call) {
    Needed.of(call, "send(call): call");
    return new Sender(profile, surroundings.now(call)).send(call);
  }

  /**
   * Sends a call to which the service must not reply for a while: one that it keeps open until something
   * happens. That proves the case; a reply that comes fails it and is shown.
   *
   * @param limit for how long no reply may come
   * @param call what to send
   * @throws CheckFailed if a reply comes
   * @throws NoReply if something else is wrong: nobody listens, the connection breaks off
   * @throws NotSent if the environment is read-only, credentials could not be fetched, or the case has ended
   */
  public void noReplyWithin(Duration limit, Call call) {
    Needed.of(call, "noReplyWithin(limit, call): call");
    new Sender(profile, surroundings.now(call)).unanswered(call, Limits.positive(limit));
  }

  /** Walks a list that comes in pages, up to 1,000 of them, as {@link #pages(Call, NextPage, int)} does. */
  public Pages pages(Call first, NextPage next) {
    Needed.of(next, "pages(first, next): next");
    return pages(first, next, Pages.MOST);
  }

  /**
   * Sends several calls at the same moment: their connections are open and their requests written, but for
   * the last piece, before the first goes out; over TLS they begin at that moment. Shows what gets lost
   * when two write at once.
   *
   * <pre>{@code
   * beeyard.sendAtOnce(8, number -> Call.post("/hives/{id}/jars", hive).json(Map.of("filled", 1)))
   *     .must(atEach("$[*].status", 200));
   * }</pre>
   *
   * @param count how many, 2 to 200
   * @param calls gives each by its number, from 1
   * @return the replies as one evidence: a list in the order of the numbers, of objects with {@code status}
   *     (null where no reply was received, with {@code fault}) and {@code body}
   * @throws NotSent if the environment is read-only, credentials could not be fetched, or the case has ended
   */
  public Evidence sendAtOnce(int count, IntFunction<Call> calls) {
    Needed.of(calls, "sendAtOnce(count, calls): calls");
    List<Call> all = AtOnce.named(Limits.atOnce(count), calls);
    Surroundings now = surroundings.now(all.get(0));
    return new AtOnce(new Sender(profile, now), now, profile.mapping()).send(all);
  }

  /**
   * Walks a list that comes in pages.
   *
   * @param first the call for the first page
   * @param next says how the next one is found
   * @param most how many pages there may be; 1 or more
   * @return all pages
   * @throws NoReply if a page does not come
   * @throws IllegalStateException if there are more pages, or a page was asked for before
   */
  public Pages pages(Call first, NextPage next, int most) {
    Needed.of(next, "pages(first, next, most): next");
    return Pages.walked(this, first, next, most);
  }

  private Service as(Security.Identity who) {
    return with(
        profile.terms(profile.terms().securedBy(profile.terms().security().as(who))));
  }

  private Service with(Profile changed) {
    return new Service(changed, surroundings);
  }
}
