package org.oddlantern.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Json;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.schema.Sketch;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Option;
import org.oddlantern.shaded.picocli.CommandLine.Parameters;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** {@code odd-lantern schema sketch}: a first schema from samples. */
@Command(
    name = "sketch",
    description = {
      "Prints a JSON Schema that all samples fit.",
      "It is of draft 2020-12, to be tightened by hand. Samples are JSON files, or the replies in"
          + " the journal of a run: then --replies-to names the call, as the journal does."
    },
    mixinStandardHelpOptions = true)
final class SchemaSketchCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Parameters(
      index = "0..*",
      arity = "1..*",
      paramLabel = "FILE",
      description = "JSON files or journals (journal.jsonl); - is the standard input.")
  private List<String> files = new ArrayList<>();

  @Option(
      names = "--replies-to",
      paramLabel = "CALL",
      description =
          "Of a journal: take the successful replies to this call, like 'GET /hives/{id}', or of this name.")
  private @Nullable String call;

  @Option(names = "--closed", description = "Allow no fields but those in the samples.")
  private boolean closed;

  @Option(names = "--to", paramLabel = "FILE", description = "Write the schema to this new file.")
  private @Nullable Path target;

  SchemaSketchCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    List<JsonNode> samples = new ArrayList<>();
    List<JournalReplies> replies = new ArrayList<>();
    for (String file : files) {
      if (file.endsWith(".jsonl")) {
        replies.add(JournalReplies.of(Path.of(file)));
      } else {
        samples.add(JsonFiles.read(file));
      }
    }
    samples.addAll(chosen(replies));
    Sketch sketch = closed ? Sketch.closed() : Sketch.open();
    print(
        JsonMapping.standard()
            .writeIndented(Trees.of(sketch.of(samples.stream().map(Json::of).toList()))),
        samples.size());
    return 0;
  }

  private List<JsonNode> chosen(List<JournalReplies> journals) {
    if (files.stream().noneMatch(file -> file.endsWith(".jsonl"))) {
      if (call != null) {
        throw new Misuse("--replies-to chooses from a journal, and no journal (.jsonl) is named");
      }
      return List.of();
    }
    String asked = call;
    List<JsonNode> bodies = asked == null
        ? List.of()
        : journals.stream().flatMap(one -> one.to(asked).stream()).toList();
    if (!bodies.isEmpty()) {
      return bodies;
    }
    Map<String, Integer> replies = new TreeMap<>();
    journals.forEach(
        one -> one.counts().forEach((name, count) -> replies.merge(name, count, Integer::sum)));
    String hint = call == null ? "" : nearest(call, journals);
    StringBuilder there = new StringBuilder();
    replies.forEach((name, count) ->
        there.append("\n  ").append(name).append("  (").append(count).append(')'));
    throw new Misuse((call == null
            ? "choose by --replies-to which call's replies are the samples"
            : "no reply to '" + call + "' with JSON in it")
        + (hint.isEmpty() ? "" : "; " + hint)
        + (replies.isEmpty()
            ? "; the journal has none at all"
            : "; there are replies to:" + there));
  }

  private static String nearest(String call, List<JournalReplies> journals) {
    Set<String> names = new LinkedHashSet<>();
    journals.forEach(one -> names.addAll(one.names()));
    return NearestMatch.hint(call, names);
  }

  private void print(String schema, int count) {
    if (target == null) {
      terminal.out().println(schema);
      return;
    }
    if (Files.exists(target)) {
      throw new Misuse(target + " is there already, and what was tightened by hand is not"
          + " overwritten; name another file, or move it away");
    }
    try {
      Files.writeString(target, schema + "\n", StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new Misuse("the schema cannot be written to " + target + ": " + e);
    }
    terminal
        .out()
        .println("sketched  " + target + " from " + count + (count == 1 ? " sample" : " samples"));
  }
}
