package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.plan.Part;
import org.oddlantern.run.Journal;
import org.oddlantern.run.RunEvent;

/**
 * The part of a run that {@code --part} asks for.
 *
 * @param text what was asked for
 * @param earlier a folder with journals of earlier runs; null if there is none
 */
record PartOption(String text, @Nullable Path earlier) {

  private static final Pattern FORM = Pattern.compile("(\\d{1,4})/(\\d{1,4})");

  Part part() {
    Matcher matcher = FORM.matcher(text);
    if (!matcher.matches()) {
      throw new Misuse("--part is written like 2/5, the second of five parts, not " + text);
    }
    try {
      return new Part(
          Integer.parseInt(matcher.group(1)), Integer.parseInt(matcher.group(2)), micros());
    } catch (IllegalArgumentException e) {
      throw new Misuse("--part " + text + ": " + e.getMessage());
    }
  }

  private Map<String, Long> micros() {
    Map<String, Long> micros = new HashMap<>();
    Path folder = earlier;
    if (folder == null) {
      return micros;
    }
    try (Stream<Path> files = Files.walk(folder)) {
      List<Path> journals =
          files.filter(file -> file.toString().endsWith(".jsonl")).sorted().toList();
      if (journals.isEmpty()) {
        throw new Misuse("there is no journal (*.jsonl) in the folder of --earlier, " + folder);
      }
      for (Path journal : journals) {
        new Journal(journal).read(event -> {
          if (event instanceof RunEvent.CaseFinished finished
              && finished.record().hasRun()) {
            micros.put(finished.record().id(), finished.record().tookMicros());
          }
        });
      }
      return micros;
    } catch (IOException e) {
      throw new Misuse("the journals of --earlier cannot be read: " + e.getMessage());
    }
  }
}
