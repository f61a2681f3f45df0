package org.oddlantern.config;

import java.time.Duration;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.Service;
import org.oddlantern.json.Secret;

/**
 * What the settings say of one service. Values may hold {@code ${NAME}}, which stands for an
 * environment variable.
 *
 * @param url its address
 * @param deadline the limit of every call, or null for the standard one
 * @param bearer a bearer token, or null for none
 * @param headers headers of every call
 */
public record ServiceSettings(
    SettingsValue url,
    @Nullable Duration deadline,
    @Nullable SettingsValue bearer,
    Map<String, SettingsValue> headers) {

  /**
   * The service as defined.
   *
   * @param variables environment variables by name
   * @return the service
   * @throws SettingsProblem if a variable is missing or the address is none
   */
  public Service service(Map<String, String> variables) {
    Service service = reached(variables);
    if (deadline != null) {
      service = service.deadline(deadline);
    }
    if (bearer != null) {
      service = service.bearer(Secret.of(bearer.resolved(variables)));
    }
    for (Map.Entry<String, SettingsValue> header : headers.entrySet()) {
      service = service.header(header.getKey(), header.getValue().resolved(variables));
    }
    return service;
  }

  private Service reached(Map<String, String> variables) {
    try {
      return Service.reachedAt(url.resolved(variables));
    } catch (IllegalArgumentException e) {
      throw new SettingsProblem(url.place() + ": " + e.getMessage());
    }
  }
}
