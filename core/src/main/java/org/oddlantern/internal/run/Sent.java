package org.oddlantern.internal.run;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.internal.Question;
import org.oddlantern.http.ContentPart;
import org.oddlantern.http.WireRequest;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.TreeDifference;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * What was sent with one question, to be compared with what is sent for the same answer another time.
 *
 * @param question the question
 */
record Sent(Question<?> question) {

  /** How far it differs: names of headers, places of the body, {@code address}; empty if in nothing. */
  Set<String> differences(Sent other) {
    Set<String> differences = new TreeSet<>();
    List<WireRequest> own = requests(question.sent());
    List<WireRequest> others = requests(other.question.sent());
    if (own.size() != others.size() || own.isEmpty()) {
      if (!question.text().equals(other.question.text())) {
        differences.add("address");
      }
      return differences;
    }
    for (int i = 0; i < own.size(); i++) {
      compare(own.get(i), others.get(i), differences);
    }
    return differences;
  }

  private static List<WireRequest> requests(Object sent) {
    if (sent instanceof WireRequest request) {
      return List.of(request);
    }
    return sent instanceof List<?> all
        ? all.stream()
            .filter(WireRequest.class::isInstance)
            .map(WireRequest.class::cast)
            .toList()
        : List.of();
  }

  private static void compare(WireRequest one, WireRequest other, Set<String> differences) {
    if (!one.line().equals(other.line())) {
      differences.add("address");
    }
    if (!one.headers().equals(other.headers())) {
      headers(one, other, differences);
    }
    bodies(one, other, differences);
  }

  private static void headers(WireRequest one, WireRequest other, Set<String> differences) {
    Set<String> names = new HashSet<>();
    one.headers().fields().stream().map(Header::name).forEach(names::add);
    other.headers().fields().stream().map(Header::name).forEach(names::add);
    for (String name : names) {
      if (!one.headers().all(name).equals(other.headers().all(name))) {
        differences.add("header " + name.toLowerCase(Locale.ROOT));
      }
    }
  }

  private static void bodies(WireRequest one, WireRequest other, Set<String> differences) {
    byte[] own = bytes(one);
    byte[] others = bytes(other);
    if (Arrays.equals(own, others)) {
      return;
    }
    JsonNode tree = json(own);
    JsonNode otherTree = json(others);
    if (tree == null || otherTree == null) {
      differences.add("body");
    } else {
      differences.addAll(TreeDifference.places(tree, otherTree));
    }
  }

  /** The parts of a form without what is between them, which is new each time. */
  private static byte[] bytes(WireRequest request) {
    try {
      if (request.body().parts().isEmpty()) {
        return request.body().isStreamed() ? new byte[0] : request.body().bytes();
      }
      StringBuilder parts = new StringBuilder();
      for (ContentPart part : request.body().parts()) {
        parts.append(part.name()).append('\n').append(part.fileName()).append('\n');
        if (!part.content().isStreamed()) {
          parts.append(Arrays.hashCode(part.content().bytes()));
        }
      }
      return parts.toString().getBytes(StandardCharsets.UTF_8);
    } catch (IOException e) {
      return new byte[0];
    }
  }

  private static @Nullable JsonNode json(byte[] body) {
    try {
      return body.length == 0 || body[0] != '{' && body[0] != '['
          ? null
          : JsonMapping.standard().parse(body);
    } catch (NotJson e) {
      return null;
    }
  }
}
