package org.oddlantern.http;

import java.net.URI;
import java.util.List;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.TypeMismatch;
import org.oddlantern.json.internal.UntypedText;
import org.oddlantern.json.internal.Words;

/** Reads the first value of a header, or says what there is instead. */
record HeaderReading(Reply reply, String name) {

  <T> T value(Class<T> type) {
    String wanted = "a value that can be read as " + Words.of(type);
    String text = text("headerAt", wanted);
    String reason = "there is nothing in it";
    try {
      T value = JsonMapping.standard().read(UntypedText.of(text), type);
      if (value != null) {
        return value;
      }
    } catch (TypeMismatch e) {
      reason = e.reason();
    }
    throw failed(
        "headerAt", Finding.of("header " + name, wanted, Words.quoted(text)).hint(reason));
  }

  URI address() {
    String text = text("addressIn", "an address");
    try {
      return Address.resolved(reply.address(), text);
    } catch (IllegalArgumentException e) {
      throw failed("addressIn", Finding.of("header " + name, "an address", Words.quoted(text)));
    }
  }

  private String text(String reading, String wanted) {
    return reply.headers().first(name).orElseThrow(() -> {
      List<String> names = reply.headers().names();
      return failed(
          reading,
          Finding.of(
                  "header " + name,
                  wanted,
                  "no such header; "
                      + (names.isEmpty()
                          ? "there are none at all"
                          : "there are " + Words.names(names)))
              .hint(NearestMatch.hint(name, names)));
    });
  }

  private CheckFailed failed(String reading, Finding finding) {
    return reply.misread(new Verdict(reading + "(\"" + name + "\")", false, List.of(finding)));
  }
}
