package org.oddlantern.config.internal;

import java.net.URI;
import java.time.Duration;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.http.Call;
import org.oddlantern.http.Credentials;
import org.oddlantern.http.Service;
import org.oddlantern.http.internal.DescribedBy.Judge;
import org.oddlantern.http.internal.FixedAddress;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.json.Secret;

/**
 * What the settings say of one service. Values may hold {@code ${NAME}}, which stands for an
 * environment variable.
 *
 * @param name its name
 * @param values what is set, by key; keys of a group are joined to it by a dot: {@code basic.user}
 */
public record ServiceSettings(String name, Map<String, SettingsValue> values) {

  /**
   * The service as defined.
   *
   * @param sources where variables and files are found
   * @return the service
   * @throws SettingsProblem if a variable or a file is missing, or a value cannot be used
   */
  public Service service(SettingsSources sources) {
    SettingsValue url = value("url");
    if (url == null) {
      throw new SettingsProblem("the service '" + name + "' has no address");
    }
    Service service = made(url, () -> placed(url, sources));
    for (Map.Entry<String, SettingsValue> entry : values.entrySet()) {
      Service before = service;
      service =
          made(entry.getValue(), () -> with(before, entry.getKey(), entry.getValue(), sources));
    }
    return service;
  }

  private static Service placed(SettingsValue url, SettingsSources sources) {
    String address = url.resolved(sources);
    if (!url.isFixed()) {
      return Service.reachedAt(address);
    }
    try (CurrentCase.Binding binding = CurrentCase.adding(new FixedAddress())) {
      return Service.reachedAt(address);
    }
  }

  /**
   * These settings with values in the stead of others.
   *
   * @param others values by key
   * @return the settings
   */
  ServiceSettings with(Map<String, SettingsValue> others) {
    Map<String, SettingsValue> all = new LinkedHashMap<>(values);
    all.putAll(others);
    return new ServiceSettings(name, all);
  }

  /** Its address. */
  public String address(SettingsSources sources) {
    SettingsValue url = value("url");
    return url == null ? "" : url.resolved(sources).replaceFirst("(?<=://)[^/?#]*@", "");
  }

  /** The file in which it is described; empty if there is none, or the service gives it itself. */
  public String descriptionFile(SettingsSources sources) {
    SettingsValue from = value("description");
    SettingsValue named = from == null ? value("description.from") : from;
    String file = named == null ? "" : named.resolved(sources);
    return file.startsWith("/") ? "" : file;
  }

  /** Host and port of its address; empty if that cannot be told. */
  String host(SettingsSources sources) {
    SettingsValue url = value("url");
    try {
      String host = url == null ? null : URI.create(url.resolved(sources)).getAuthority();
      return host == null ? "" : host.substring(host.indexOf('@') + 1);
    } catch (IllegalArgumentException | SettingsProblem e) {
      return ""; // said where the service is used
    }
  }

  /**
   * What is to be waited for before the first case.
   *
   * @param sources where variables are found
   * @return path and limit; empty if nothing
   */
  public Optional<Readiness> readiness(SettingsSources sources) {
    SettingsValue path = value("ready.path");
    SettingsValue within = value("ready.within");
    if (path == null) {
      return Optional.empty();
    }
    Duration limit =
        within == null ? Readiness.STANDARD : duration(within, "ready.within", sources);
    return Optional.of(new Readiness(path.resolved(sources), limit));
  }

  /**
   * A value by its key.
   *
   * @param key the key
   * @return the value, or null if it is not set
   */
  public @Nullable SettingsValue value(String key) {
    return values.get(key);
  }

  private Service with(Service service, String key, SettingsValue value, SettingsSources sources) {
    if (key.startsWith("headers.")) {
      String header = key.substring("headers.".length());
      return service.header(
          header,
          value.variables().isEmpty() && !value.inFile()
              ? value.resolved(sources)
              : value.secret(sources));
    }
    return switch (key) {
      case "timeout" -> service.timeout(duration(value, key, sources));
      case "connectTimeout" -> service.connectTimeout(duration(value, key, sources));
      case "bodyLimit" ->
        service.bodyLimit(Quantities.bytes(value.resolved(sources), value.place(), key));
      case "redirects" ->
        service.followingRedirects(
            Quantities.count(value.resolved(sources), value.place(), key, 100));
      case "trust" ->
        value.text().equals("any")
            ? service.trustingAny()
            : service.trusting(value.resolved(sources));
      case "proxy" -> service.viaProxy(value.resolved(sources));
      case "caseHeader" ->
        service.caseHeader(value.text().equals("none") ? "" : value.resolved(sources));
      case "traces" -> service.tracesAt(value.resolved(sources));
      case "description", "description.from" -> described(service, value, sources);
      case "log" -> service.loggingTo(sources.beside(value.resolved(sources)));
      case "trace" ->
        service.traced(Quantities.onOrOff(value.resolved(sources), value.place(), key));
      case "clientCertificate.certificate" ->
        service.clientCertificate(
            value.resolved(sources), needed("clientCertificate.key", value).resolved(sources));
      case "clientCertificate.store" ->
        service.clientCertificate(
            value.resolved(sources), needed("clientCertificate.password", value).secret(sources));
      default -> credentials(key, value, sources).map(service::credentials).orElse(service);
    };
  }

  private Service described(Service service, SettingsValue from, SettingsSources sources) {
    SettingsValue judge = value("description.judge");
    try (CurrentCase.Binding binding =
        CurrentCase.adding(judge == null ? Judge.WARN : judge(judge.resolved(sources), judge))) {
      return service.describedBy(from.resolved(sources));
    }
  }

  private static Judge judge(String word, SettingsValue value) {
    return Arrays.stream(Judge.values())
        .filter(one -> one.name().toLowerCase(Locale.ROOT).equals(word))
        .findFirst()
        .orElseThrow(() -> new SettingsProblem(ServiceKeys.noJudge(word, value)));
  }

  private Optional<Credentials> credentials(
      String key, SettingsValue value, SettingsSources sources) {
    return switch (key) {
      case "bearer" -> Optional.of(Credentials.bearer(value.secret(sources)));
      case "basic.user" ->
        Optional.of(Credentials.basic(
            value.resolved(sources), needed("basic.password", value).secret(sources)));
      case "keyInHeader.name" ->
        Optional.of(Credentials.keyInHeader(
            value.resolved(sources), needed("keyInHeader.key", value).secret(sources)));
      case "keyInQuery.name" ->
        Optional.of(Credentials.keyInQuery(
            value.resolved(sources), needed("keyInQuery.key", value).secret(sources)));
      case "signIn.post" ->
        Optional.of(Credentials.fetchedBy(
            Call.post(value.resolved(sources))
                .json(needed("signIn.json", value).resolved(sources))
                .named("sign in"),
            needed("signIn.token", value).resolved(sources)));
      case "clientCredentials.tokenUrl" -> Optional.of(clientCredentials(value, sources));
      default -> Optional.empty();
    };
  }

  private Credentials clientCredentials(SettingsValue tokenUrl, SettingsSources sources) {
    Secret secret = needed("clientCredentials.clientSecret", tokenUrl).secret(sources);
    SettingsValue scopes = value("clientCredentials.scopes");
    return Credentials.clientCredentials(
        tokenUrl.resolved(sources),
        needed("clientCredentials.clientId", tokenUrl).resolved(sources),
        secret,
        scopes == null ? new String[0] : scopes.resolved(sources).trim().split("\\s+"));
  }

  private SettingsValue needed(String key, SettingsValue beside) {
    SettingsValue value = value(key);
    if (value == null) {
      throw new SettingsProblem(beside.place() + ": '" + key.substring(key.indexOf('.') + 1)
          + "' is missing in '" + key.substring(0, key.indexOf('.')) + "' of the service '" + name
          + "'");
    }
    return value;
  }

  private static Duration duration(SettingsValue value, String key, SettingsSources sources) {
    return Quantities.duration(value.resolved(sources), value.place(), key);
  }

  private static Service made(SettingsValue value, Supplier<Service> making) {
    try {
      return making.get();
    } catch (IllegalArgumentException e) {
      throw new SettingsProblem(value.place() + ": " + e.getMessage());
    }
  }
}
