package org.oddlantern.cli;

import java.util.List;
import java.util.concurrent.Callable;
import org.oddlantern.json.BadPath;
import org.oddlantern.json.CostlyPath;
import org.oddlantern.json.DeadEnd;
import org.oddlantern.json.Found;
import org.oddlantern.json.JsonPath;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Parameters;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** {@code odd-lantern path}: what a JSONPath finds in a file. */
@Command(
    name = "path",
    description = {
      "Prints what a JSONPath (RFC 9535) finds in a JSON file: each value with its place",
      "as a normalized path. If it finds nothing it says why, and the exit status is 1."
    },
    mixinStandardHelpOptions = true)
final class PathCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Parameters(
      index = "0",
      paramLabel = "EXPRESSION",
      description = "The path, in quotes: '$.hives[?@.id > 3].label'")
  private String expression = "";

  @Parameters(
      index = "1",
      paramLabel = "FILE",
      description = "A JSON file; - is the standard input.")
  private String file = "";

  PathCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    JsonPath path = path();
    JsonNode root = JsonFiles.read(file);
    try {
      List<Found> found = path.find(root);
      if (found.isEmpty()) {
        DeadEnd end = path.end(root);
        terminal
            .out()
            .println("nothing: " + end.stopped() + (end.hint().isEmpty() ? "" : "; " + end.hint()));
        return 1;
      }
      found.forEach(one -> terminal
          .out()
          .println(one.where().normalized() + "  " + JsonMapping.standard().write(one.value())));
      return 0;
    } catch (CostlyPath e) {
      throw new Misuse(String.valueOf(e.getMessage()));
    }
  }

  private JsonPath path() {
    try {
      return JsonPath.of(expression);
    } catch (BadPath e) {
      throw new Misuse(String.valueOf(e.getMessage()));
    }
  }
}
