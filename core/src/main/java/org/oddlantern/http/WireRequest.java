package org.oddlantern.http;

import java.net.URI;
import org.oddlantern.evidence.Headers;

/**
 * A call as it is sent.
 *
 * @param method the method, case kept
 * @param uri where to, absolute
 * @param headers the headers set by call, service and library; what the connection adds is not in them
 * @param body what it carries
 */
public record WireRequest(String method, URI uri, Headers headers, Content body) {

  /**
   * This request with a header set; it replaces all of that name.
   *
   * @param name the name
   * @param value the value
   * @return the request
   */
  public WireRequest with(String name, String value) {
    return new WireRequest(method, uri, headers.with(name, value), body);
  }

  /**
   * This request to another address.
   *
   * @param other where to, absolute
   * @return the request
   */
  public WireRequest to(URI other) {
    return new WireRequest(method, other, headers, body);
  }

  /**
   * The call in one line.
   *
   * @return {@code GET http://127.0.0.1:7411/api/hives}
   */
  public String line() {
    return method + " " + uri;
  }
}
