package org.oddlantern.cli;

import java.util.List;
import java.util.concurrent.Callable;
import org.oddlantern.json.BadPath;
import org.oddlantern.json.CostlyPath;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.path.DeadEnd;
import org.oddlantern.json.internal.path.TreePath;
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
    TreePath path = path();
    JsonNode root = JsonFiles.read(file);
    try {
      List<FoundNode> found = path.find(root);
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

  private TreePath path() {
    try {
      return TreePath.of(expression);
    } catch (BadPath e) {
      throw new Misuse(String.valueOf(e.getMessage()));
    }
  }
}
