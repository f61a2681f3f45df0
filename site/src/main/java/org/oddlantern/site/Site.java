package org.oddlantern.site;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Makes pages of the documents: with contents, a search that needs no server, and the look of the reports. */
public final class Site {

  private static final String REPORTS = "/org/oddlantern/internal/reports/html/";

  private final Path documents;
  private final Path out;
  private final @Nullable Path javadoc;

  private Site(Path documents, Path out, @Nullable Path javadoc) {
    this.documents = documents.toAbsolutePath().normalize();
    this.out = out;
    this.javadoc = javadoc;
  }

  /**
   * Starts here.
   *
   * @param arguments the folder of the documents, the folder for the pages, and the jar with the javadoc if
   *     it is to be beside them
   * @throws IOException if one cannot be read or the other cannot be written
   */
  public static void main(String[] arguments) throws IOException {
    Path javadoc = arguments.length > 2 ? Path.of(arguments[2]) : null;
    new Site(Path.of(arguments[0]), Path.of(arguments[1]), javadoc).write();
  }

  private void write() throws IOException {
    Map<String, Document> ordered = ordered();
    PageFrame frame = new PageFrame(ordered, javadoc != null);
    SearchWords search = new SearchWords();
    for (Document one : ordered.values()) {
      PageBody body = new PageBody(one);
      search.add(one, body);
      Path page = out.resolve(one.page());
      Files.createDirectories(page.getParent());
      Files.writeString(page, frame.page(one, body));
    }
    Files.writeString(out.resolve("words.js"), search.script());
    resource(REPORTS + "ledger.css", "ledger.css");
    resource("/org/oddlantern/site/site.css", "site.css");
    resource("/org/oddlantern/site/site.js", "site.js");
    copied("screenshots", ".png");
    copied("", ".txt");
    if (javadoc != null) {
      unpacked(javadoc);
    }
  }

  /** The index first, then as each leads to the next. */
  private Map<String, Document> ordered() throws IOException {
    Map<String, Document> all = new LinkedHashMap<>();
    try (Stream<Path> files = Files.walk(documents)) {
      for (Path file :
          files.filter(one -> one.toString().endsWith(".md")).sorted().toList()) {
        Document one = Document.read(documents, file);
        all.put(one.name(), one);
      }
    }
    Map<String, Document> ordered = new LinkedHashMap<>();
    ordered.put("index", all.get("index"));
    Document next = all.get("first-test");
    while (next != null && ordered.putIfAbsent(next.name(), next) == null) {
      next = all.get(next.after());
    }
    Document last = List.copyOf(ordered.values()).get(ordered.size() - 1);
    ordered.put("changelog", changes(last));
    List<String> left =
        all.keySet().stream().filter(one -> !ordered.containsKey(one)).toList();
    if (!left.isEmpty()) {
      throw new IllegalStateException("no document leads to " + left);
    }
    return ordered;
  }

  /** What is new comes last; its file is beside the folder. */
  private Document changes(Document before) throws IOException {
    Path beside = documents.resolve("..").normalize();
    Document read = Document.read(beside, beside.resolve("CHANGELOG.md"));
    return new Document("changelog", read.title(), read.body(), before.name(), "");
  }

  private void resource(String name, String file) throws IOException {
    try (InputStream in = Site.class.getResourceAsStream(name)) {
      if (in == null) {
        throw new IllegalStateException(name + " is not on the class path");
      }
      Files.copy(in, out.resolve(file), StandardCopyOption.REPLACE_EXISTING);
    }
  }

  private void unpacked(Path jar) throws IOException {
    try (FileSystem files = FileSystems.newFileSystem(jar);
        Stream<Path> all = Files.walk(files.getPath("/"))) {
      for (Path file : all.filter(Files::isRegularFile).toList()) {
        Path to = out.resolve(PageFrame.API + file);
        if (!file.startsWith("/META-INF")) {
          Files.createDirectories(to.getParent());
          Files.copy(file, to, StandardCopyOption.REPLACE_EXISTING);
        }
      }
    }
  }

  private void copied(String folder, String ending) throws IOException {
    Path to = Files.createDirectories(out.resolve(folder));
    try (Stream<Path> files = Files.list(documents.resolve(folder))) {
      for (Path file : files.filter(one -> one.toString().endsWith(ending)).toList()) {
        Files.copy(
            file, to.resolve(file.getFileName().toString()), StandardCopyOption.REPLACE_EXISTING);
      }
    }
  }
}
