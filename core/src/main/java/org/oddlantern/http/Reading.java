package org.oddlantern.http;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.JsonPath;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.TypeMismatch;
import org.oddlantern.json.Words;
import tools.jackson.databind.JsonNode;

/** Reads one typed value from a reply, or says how far it came. */
record Reading(Reply reply, String words) {

  <T> T value(JsonPath path, Class<T> type) {
    JsonNode root = root(type);
    JsonPath.Found found = path.findOne(root);
    String wanted = "a value that can be read as " + Words.of(type);
    if (found.value().isMissingNode()) {
      JsonPath.Dead end = path.end(root);
      throw failed(Finding.of(path, wanted, "nothing: " + end.stopped()).hint(end.hint()));
    }
    return read(found, type, wanted);
  }

  <T> List<T> values(JsonPath path, Class<T> type) {
    String wanted = "a value that can be read as " + Words.of(type);
    return path.find(root(type)).stream()
        .map(found -> read(found, type, wanted))
        .toList();
  }

  private <T> T read(JsonPath.Found found, Class<T> type, String wanted) {
    if (found.value().isNull()) {
      throw failed(Finding.of(found.where(), wanted, "null"));
    }
    try {
      return reply.hearingMapping().read(found.value(), type);
    } catch (TypeMismatch e) {
      throw failed(Finding.of(found.where(), wanted, Words.withKind(found.value()))
          .hint(String.valueOf(e.getMessage())));
    }
  }

  private JsonNode root(Class<?> type) {
    try {
      return reply.json();
    } catch (NotJson e) {
      throw failed(
          Finding.of("body", "a JSON body, to be read as " + Words.of(type), reply.notJson(e)));
    }
  }

  private NotAsPromised failed(Finding finding) {
    return reply.failed(new Verdict(words, false, List.of(finding)));
  }
}
