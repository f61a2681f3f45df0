package org.oddlantern.internal.promise;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.oddlantern.internal.Resources;

/**
 * Reads the documents beside some suites.
 *
 * @param files the class path of the suites, and the folder of the settings
 * @param jars the jars the suites are in
 */
public record PromiseReader(Resources files, Collection<Path> jars) {

  /**
   * What they promise.
   *
   * @param cases all cases; asked for only if there is a document
   * @return the promises, with what is wrong with documents
   */
  public Promises read(Supplier<List<TitledCase>> cases) {
    List<String> problems = new ArrayList<>();
    List<String> notes = new ArrayList<>();
    Map<String, String> texts = PromiseFiles.in(files.loader(), jars, problems);
    if (texts.isEmpty()) {
      return problems.isEmpty()
          ? Promises.NONE
          : new Promises(List.of(), List.of(), problems, notes);
    }
    List<TitledCase> all = cases.get();
    Titles titles = new Titles(all);
    List<PromiseDocument> documents = new ArrayList<>();
    texts.forEach((name, text) -> {
      try {
        documents.add(
            new DocumentReading(name, titles, new SampleReading(files)::table, problems, notes)
                .read(text));
      } catch (StackOverflowError e) {
        problems.add(name + " is nested too deeply to be read");
      }
    });
    return new Promises(
        documents, all.stream().filter(one -> !titles.isPromised(one)).toList(), problems, notes);
  }
}
