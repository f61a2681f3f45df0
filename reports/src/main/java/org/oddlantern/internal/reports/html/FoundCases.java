package org.oddlantern.internal.reports.html;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.UnaryOperator;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.WellFormed;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;
import org.oddlantern.shaded.tools.jackson.core.exc.JacksonIOException;

/**
 * What the first page finds cases by that it does not list, since they are too many. A script and no JSON,
 * because a page that is opened from a disk may read nothing else.
 */
final class FoundCases {

  private FoundCases() {}

  static void write(Path file, RunData run, UnaryOperator<String> address) throws IOException {
    try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(file))) {
      stream.write("window.cases=".getBytes(StandardCharsets.UTF_8));
      try (JsonGenerator out = JsonMapping.standard().generator(stream)) {
        out.writeStartArray();
        for (CaseRecord one : run.cases()) {
          out.writeStartArray();
          for (String text :
              List.of(one.word(), one.suite(), one.title(), address.apply(one.id()))) {
            out.writeString(WellFormed.of(text));
          }
          out.writeEndArray();
        }
        out.writeEndArray();
      }
      stream.write(';');
    } catch (JacksonIOException e) {
      throw e.getCause();
    }
  }
}
