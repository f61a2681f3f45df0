package org.oddlantern.http;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
import org.oddlantern.http.internal.DescribedBy;
import org.oddlantern.http.internal.ServiceLog;
import org.oddlantern.http.internal.Terms;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Secret;
import org.oddlantern.json.internal.JsonMapping;

/**
 * What is said once for every call of a service.
 *
 * @param base the address
 * @param defaults headers, and the secrets in them
 * @param credentials who calls
 * @param terms limits, security, way
 * @param redirects how many to follow; 0 shows them as they are
 * @param mapping how values become JSON
 * @param checks made on every reply
 * @param finish sees every finished request; null for nobody
 */
record Profile(
    Base base,
    Defaults defaults,
    Credentials credentials,
    Terms terms,
    int redirects,
    JsonMapping mapping,
    List<Check> checks,
    @Nullable UnaryOperator<WireRequest> finish) {

  static Profile at(String url) {
    Place place = Place.of(checked(url));
    return new Profile(
        new Base(place.url(), false, "", List.of(), null, "", null),
        Defaults.STANDARD,
        place.credentials(),
        Terms.STANDARD,
        0,
        JsonMapping.standard(),
        List.of(),
        null);
  }

  String url() {
    return base.url;
  }

  Profile base(Base other) {
    return new Profile(other, defaults, credentials, terms, redirects, mapping, checks, finish);
  }

  Profile defaults(Defaults other) {
    return new Profile(base, other, credentials, terms, redirects, mapping, checks, finish);
  }

  Profile credentials(Credentials other) {
    return new Profile(base, defaults, other, terms, redirects, mapping, checks, finish);
  }

  Profile terms(Terms other) {
    return new Profile(base, defaults, credentials, other, redirects, mapping, checks, finish);
  }

  Profile redirects(int limit) {
    return new Profile(base, defaults, credentials, terms, limit, mapping, checks, finish);
  }

  Profile mapping(JsonMapping other) {
    return new Profile(base, defaults, credentials, terms, redirects, other, checks, finish);
  }

  Profile checks(List<Check> others) {
    return new Profile(
        base, defaults, credentials, terms, redirects, mapping, List.copyOf(others), finish);
  }

  Profile alsoMaking(Check first, Check... more) {
    List<Check> all = new ArrayList<>(checks);
    all.add(first);
    all.addAll(List.of(more));
    return checks(all);
  }

  Profile finish(UnaryOperator<WireRequest> hook) {
    return new Profile(base, defaults, credentials, terms, redirects, mapping, checks, hook);
  }

  /** This profile at another address, and as whoever that names. */
  Profile at(Place place) {
    Profile moved = base(base.at(place.url()));
    return place.credentials() == Credentials.NONE ? moved : moved.credentials(place.credentials());
  }

  /** The place where traces can be looked at, if it is one. */
  static String traces(String address) {
    Needed.of(address, "tracesAt(address): address");
    checked(address.replace("{id}", "0"));
    if (!address.contains("{id}")) {
      throw new IllegalArgumentException(
          "the address of traces has {id} where the id of a trace belongs, like https://traces.example.org/{id}, unlike "
              + address);
    }
    return address;
  }

  static String checked(String url) {
    Needed.of(url, "the address of a service");
    String problem = problem(url);
    if (!problem.isEmpty()) {
      throw new IllegalArgumentException(
          "'" + Place.shown(url) + "' is not the address of a service: " + problem
              + "; write it like http://127.0.0.1:7411/api");
    }
    return url;
  }

  private static String problem(String url) {
    try {
      URI uri = URI.create(url);
      String scheme = String.valueOf(uri.getScheme());
      if (!scheme.equalsIgnoreCase("http") && !scheme.equalsIgnoreCase("https")) {
        return "it must begin with http:// or https://";
      }
      return uri.getHost() == null ? "it names no host" : "";
    } catch (IllegalArgumentException e) {
      return Place.shown(String.valueOf(e.getMessage()));
    }
  }

  /**
   * Where the service is.
   *
   * @param url its address, with its base path
   * @param kept whether it stays there whatever code says
   * @param name what it is named; may be empty
   * @param alsoProven addresses of other origins to which credentials go too
   * @param log where it writes its log; null if nobody says
   * @param traces where a trace can be looked at, with {@code {id}} in its place; empty if nobody knows
   * @param described where it is described, and how that counts; null if nobody says
   */
  record Base(
      String url,
      boolean kept,
      String name,
      List<String> alsoProven,
      @Nullable ServiceLog log,
      String traces,
      @Nullable DescribedBy described) {

    Base at(String other) {
      return new Base(other, false, name, alsoProven, log, traces, described);
    }

    Base staying() {
      return new Base(url, true, name, alsoProven, log, traces, described);
    }

    Base proving(String other) {
      List<String> more = new ArrayList<>(alsoProven);
      more.add(other);
      return new Base(url, kept, name, List.copyOf(more), log, traces, described);
    }

    /** Whether what proves who calls may go there. */
    boolean mayProveTo(URI uri) {
      return isBelow(uri.toString())
          || Sender.isSameOrigin(URI.create(url), uri)
          || alsoProven.stream().anyMatch(one -> Sender.isSameOrigin(URI.create(one), uri));
    }

    /** Nearly all are; the rest is found out by reading both. */
    private boolean isBelow(String address) {
      return address.startsWith(url)
          && (address.length() == url.length() || "/?#".indexOf(address.charAt(url.length())) >= 0);
    }

    Base named(String other) {
      return new Base(url, kept, other, alsoProven, log, traces, described);
    }

    Base logging(ServiceLog file) {
      return new Base(url, kept, name, alsoProven, file, traces, described);
    }

    Base described(DescribedBy description) {
      return new Base(url, kept, name, alsoProven, log, traces, description);
    }

    Base undescribed() {
      return new Base(url, kept, name, alsoProven, log, traces, null);
    }

    Base tracesAt(String address) {
      return new Base(url, kept, name, alsoProven, log, address, described);
    }
  }

  /**
   * The headers that go with every call.
   *
   * @param headers the headers
   * @param secrets the secrets in them
   * @param caseHeader the header that names run and case; empty for none
   * @param traced whether the header of the trace goes with them
   */
  record Defaults(Headers headers, List<Secret> secrets, String caseHeader, boolean traced) {

    static final Defaults STANDARD = new Defaults(
        new Headers(List.of(
            new Header("User-Agent", "odd-lantern"),
            new Header("Accept-Encoding", "gzip, deflate"))),
        List.of(),
        "Odd-Lantern-Case",
        true);

    Defaults with(String name, Object value) {
      return new Defaults(
          headers.with(name, HeaderValues.text(value)),
          HeaderValues.secrets(secrets, value),
          caseHeader,
          traced);
    }

    Defaults without(String name) {
      return new Defaults(headers.without(name), secrets, caseHeader, traced);
    }

    Defaults caseHeader(String name) {
      return new Defaults(headers, secrets, name, traced);
    }

    Defaults traced(boolean on) {
      return new Defaults(headers, secrets, caseHeader, on);
    }
  }
}
