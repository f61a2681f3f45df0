package org.oddlantern.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.schema.OutputForm;
import org.oddlantern.schema.Schema;
import org.oddlantern.schema.SchemaReader;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Option;
import org.oddlantern.shaded.picocli.CommandLine.Parameters;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** {@code odd-lantern schema check}: whether files fit a schema. */
@Command(
    name = "check",
    description = {
      "Checks JSON files against a JSON Schema.",
      "Drafts 4, 6, 7, 2019-09 and 2020-12. Reports every violation: where, what was wanted, what was"
          + " there, and where the schema says so. The exit status is 0 if all files fit, 1 if one"
          + " does not, 2 if the schema cannot be used."
    },
    mixinStandardHelpOptions = true)
final class SchemaCheckCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Parameters(
      index = "0",
      paramLabel = "SCHEMA",
      description = "A schema, JSON or YAML; #/a/pointer reaches into a larger document.")
  private String schema = "";

  @Parameters(
      index = "1..*",
      arity = "1..*",
      paramLabel = "FILE",
      description = "JSON files; - is the standard input.")
  private List<String> files = new ArrayList<>();

  @Option(
      names = "--as",
      paramLabel = "FORM",
      defaultValue = "text",
      description = "text (default), or JSON as the standard writes it: flag, basic, detailed.")
  private Form form = Form.text;

  /** How the outcome is printed. */
  enum Form {
    text,
    flag,
    basic,
    detailed
  }

  SchemaCheckCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    Schema read = schema();
    boolean fit = true;
    for (String file : files) {
      JsonNode value = JsonFiles.read(file);
      fit &= form == Form.text ? told(read, file, value) : printed(read, file, value);
    }
    return fit ? 0 : 1;
  }

  private Schema schema() {
    int hash = schema.indexOf('#');
    String file = hash < 0 ? schema : schema.substring(0, hash);
    String pointer = hash < 0 ? "" : schema.substring(hash);
    if (!Files.isRegularFile(Path.of(file))) {
      throw new Misuse("there is no schema file " + file);
    }
    return SchemaReader.standard().file(Path.of(file), pointer);
  }

  private boolean told(Schema read, String file, JsonNode value) {
    Style style = terminal.style();
    List<Finding> findings = read.differences(Location.ROOT, Json.of(value));
    if (findings.isEmpty()) {
      terminal.out().println("fits" + "      " + file);
      return true;
    }
    terminal.out().println(style.alarm("differs") + "   " + file + ": " + counted(findings.size()));
    for (Finding finding : findings) {
      finding.lines().forEach(line -> terminal.out().println("          " + line));
      terminal.out().println();
    }
    return false;
  }

  private static String counted(int count) {
    return count == 1 ? "1 violation" : count + " violations";
  }

  private boolean printed(Schema read, String file, JsonNode value) {
    ObjectNode output = (ObjectNode) Trees.of(
        read.output(OutputForm.valueOf(form.name().toUpperCase(Locale.ROOT)), Json.of(value)));
    if (files.size() > 1) {
      ObjectNode named = JsonNodeFactory.instance.objectNode();
      named.put("file", file);
      named.setAll(output);
      output = named;
    }
    terminal.out().println(JsonMapping.standard().writeIndented(output));
    return output.path("valid").booleanValue();
  }
}
