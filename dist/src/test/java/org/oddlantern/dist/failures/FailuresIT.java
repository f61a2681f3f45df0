package org.oddlantern.dist.failures;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.oddlantern.demo.beeyard.Fault;

/** Every seeded fault is met, and the failure alone names it; the document shows what is printed. */
class FailuresIT {

  private static final Path DOCUMENT = Path.of("../docs/failures.md");
  private static final Path WANTED = Path.of("src/test/resources/failures/must-say.txt");

  @Test
  void everyFailureSaysWhatItMust() throws Exception {
    FailureBook book = new FailureBook();
    Map<Fault, String> failures = book.failures();
    if ("write".equals(System.getProperty("failures"))) {
      Files.writeString(DOCUMENT, book.document(failures));
    }
    Map<Fault, List<String>> wanted = wanted();
    assertEquals(wanted.keySet(), failures.keySet());
    List<String> wrong = new ArrayList<>();
    failures.forEach((fault, printed) -> wanted.get(fault).stream()
        .filter(piece -> !printed.contains(piece))
        .forEach(piece -> wrong.add(fault + " does not say " + piece + " in\n" + printed)));
    assertTrue(wrong.isEmpty(), () -> String.join("\n", wrong));
    assertTrue(failures.size() >= 30);
    assertEquals(Files.readString(DOCUMENT), book.document(failures));
  }

  private static Map<Fault, List<String>> wanted() throws IOException {
    Map<Fault, List<String>> wanted = new LinkedHashMap<>();
    for (String line : Files.readAllLines(WANTED)) {
      if (!line.startsWith("#") && !line.isBlank()) {
        String[] pieces = line.split(" \\| ", -1);
        wanted.put(
            Fault.valueOf(pieces[0].strip()),
            List.of(pieces).subList(1, pieces.length).stream()
                .map(String::strip)
                .toList());
      }
    }
    Map<Fault, List<String>> sorted = new LinkedHashMap<>();
    for (Fault fault : Fault.values()) {
      if (wanted.containsKey(fault)) {
        sorted.put(fault, wanted.get(fault));
      }
    }
    assertEquals(sorted.keySet(), wanted.keySet());
    return sorted;
  }
}
