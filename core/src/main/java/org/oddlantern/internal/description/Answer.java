package org.oddlantern.internal.description;

import java.util.List;

/**
 * What is said of replies of a status (OpenAPI 3.1, Response Object).
 *
 * @param status as it is written: {@code 201}, {@code 4XX}, {@code default}
 * @param content the bodies
 * @param headers the headers
 * @param pointer where it stands
 */
public record Answer(String status, Content content, List<Parameter> headers, String pointer) {

  /** Keeps its own list. */
  public Answer {
    headers = List.copyOf(headers);
  }
}
