package org.oddlantern.cli;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.Operation;
import org.oddlantern.schema.internal.Document;

/** What a new project has by a description: calls, records and suites, and the description itself. */
final class DescribedProject {

  private static final String SOURCES = "src/test/java/api/";
  private static final String RESOURCES = "src/test/resources/";

  private final Path file;
  private final ApiDocument document;
  private final @Nullable URI url;

  /**
   * By a description.
   *
   * @param file its file
   * @param url where the service is; null if the description says it
   */
  DescribedProject(Path file, @Nullable URI url) {
    this.file = file;
    this.document =
        NamedDescriptions.read(List.of(file.toString())).values().iterator().next();
    this.url = url;
  }

  /** Where the service is: as was said, else as the description says, else on this machine. */
  String address() {
    if (url != null) {
      return url.toString();
    }
    return document.servers().stream()
        .filter(one -> one.matches("https?://[^{}]+"))
        .findFirst()
        .orElse("http://127.0.0.1:8080")
        .replaceFirst("/$", "");
  }

  String fileName() {
    return String.valueOf(file.getFileName());
  }

  /** The settings that say where it is, and what describes it. */
  String settings(String schema) {
    return """
        # yaml-language-server: $schema=%s
        environment: local
        services:
          api: { description: %s }
        environments:
          local:
            services:
              api: { url: "%s", timeout: 10s }
        """.formatted(schema, JavaNames.quoted(fileName()), address());
  }

  /** Its files, each with its text. */
  Map<String, String> files() {
    Map<String, String> files = new LinkedHashMap<>();
    copy(file, fileName(), files);
    for (Document other : document.others()) {
      Path beside = file.toAbsolutePath().resolveSibling(other.name());
      if (Files.isRegularFile(beside) && !other.name().contains("..")) {
        copy(beside, other.name(), files);
      }
    }
    JavaNames classes = new JavaNames();
    groups().forEach((group, operations) -> {
      String name = classes.type(group);
      sources(name, group, operations, files);
    });
    return files;
  }

  private static void copy(Path from, String name, Map<String, String> files) {
    try {
      files.put(RESOURCES + name, Files.readString(from));
    } catch (IOException e) {
      throw new Misuse("the file " + from + " cannot be read: " + e);
    }
  }

  /** By the first tag, else by the first step of the path. */
  private Map<String, List<Operation>> groups() {
    Map<String, List<Operation>> groups = new LinkedHashMap<>();
    for (Operation one : document.operations()) {
      String path = one.path().text().replaceFirst("^/", "").replaceFirst("/.*", "");
      String group = one.about().tags().isEmpty() ? path : one.about().tags().get(0);
      groups.computeIfAbsent(group, any -> new ArrayList<>()).add(one);
    }
    return groups;
  }

  private void sources(
      String name, String group, List<Operation> operations, Map<String, String> files) {
    JavaNames types = new JavaNames();
    String calls = types.type(name + "Calls");
    RecordSources records = new RecordSources(types);
    JavaNames methods = new JavaNames();
    StringBuilder members = new StringBuilder();
    StringBuilder cases = new StringBuilder();
    Set<String> titles = new HashSet<>();
    boolean pending = false;
    boolean payload = false;
    for (Operation one : operations) {
      OperationSource source = new OperationSource(
          one, methods.method(OperationSource.suggested(one)), calls, fileName());
      members.append('\n').append(source.call(records));
      String title = titles.add(source.title()) ? source.title() : one.line();
      String suiteCase = source.suiteCase(title);
      pending |= suiteCase.contains("@Pending");
      payload |= suiteCase.contains("Payload.json(");
      cases.append('\n').append(suiteCase);
    }
    records.sources().forEach(record -> members.append('\n').append(record));
    files.put(SOURCES + calls + ".java", calls(calls, group, members));
    files.put(SOURCES + name + "Test.java", suite(name, cases, pending, payload));
  }

  private String calls(String calls, String group, CharSequence members) {
    return """
        package api;

        import org.oddlantern.http.Call;

        /** Calls of %s, as %s describes them. */
        final class %s {

          private %s() {}
        %s}
        """.formatted(
            JavaNames.comment(group), JavaNames.comment(fileName()), calls, calls, members);
  }

  private static String suite(String name, CharSequence cases, boolean pending, boolean payload) {
    return """
        package api;

        import static org.oddlantern.check.Checks.*;

        import org.oddlantern.config.Environment;
        import org.oddlantern.http.Service;
        %simport org.oddlantern.suite.Case;
        %s
        public class %sTest {

          private final Service api;

          %sTest(Environment environment) {
            api = environment.service("api");
          }
        %s}
        """.formatted(
            payload ? "import org.oddlantern.payload.Payload;\n" : "",
            pending ? "import org.oddlantern.suite.Pending;\n" : "",
            name,
            name,
            cases);
  }
}
