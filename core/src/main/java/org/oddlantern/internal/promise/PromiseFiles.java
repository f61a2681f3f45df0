package org.oddlantern.internal.promise;

import java.io.IOException;
import java.io.InputStream;
import java.net.URISyntaxException;
import java.net.URL;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.jar.JarEntry;
import java.util.jar.JarFile;
import java.util.stream.Stream;

/** Finds the documents of a project: the Markdown files below {@code promises} beside its suites. */
final class PromiseFiles {

  private static final String FOLDER = "promises";
  private static final int LARGEST = 1 << 20;

  private final Map<String, String> texts = new TreeMap<>();
  private final List<String> problems;

  private PromiseFiles(List<String> problems) {
    this.problems = problems;
  }

  /**
   * Finds them.
   *
   * @param loader the class path of the suites, whose folders are looked into
   * @param jars the jars the suites are in; what other jars bring is not the project's
   * @param problems takes what cannot be read, in sentences
   * @return texts by name, like {@code promises/hives.md}
   */
  static Map<String, String> in(ClassLoader loader, Collection<Path> jars, List<String> problems) {
    PromiseFiles files = new PromiseFiles(problems);
    try {
      for (URL folder : Collections.list(loader.getResources(FOLDER))) {
        if (folder.getProtocol().equals("file")) {
          files.folder(Path.of(folder.toURI()));
        }
      }
    } catch (IOException | URISyntaxException e) {
      problems.add("the documents below " + FOLDER + " cannot be read: " + e);
    }
    jars.forEach(files::jar);
    return files.texts;
  }

  private void folder(Path folder) {
    try (Stream<Path> all = Files.walk(folder)) {
      List<Path> found = all.filter(
              file -> file.toString().endsWith(".md") && Files.isRegularFile(file))
          .toList();
      for (Path file : found) {
        String name = FOLDER + "/" + folder.relativize(file).toString().replace('\\', '/');
        if (Files.size(file) > LARGEST) {
          large(name);
        } else {
          add(name, Files.readAllBytes(file));
        }
      }
    } catch (IOException e) {
      problems.add("the documents in " + folder + " cannot be read: " + e);
    }
  }

  private void jar(Path place) {
    try (JarFile jar = new JarFile(place.toFile())) {
      for (JarEntry entry : Collections.list(jar.entries())) {
        if (entry.getName().matches(FOLDER + "/.*\\.md")) {
          try (InputStream stream = jar.getInputStream(entry)) {
            add(entry.getName(), stream.readNBytes(LARGEST + 1));
          }
        }
      }
    } catch (IOException e) {
      problems.add("the documents in " + place + " cannot be read: " + e);
    }
  }

  private void add(String name, byte[] bytes) {
    if (bytes.length > LARGEST) {
      large(name);
      return;
    }
    try {
      String text =
          StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
      texts.putIfAbsent(name, text.startsWith("\ufeff") ? text.substring(1) : text);
    } catch (CharacterCodingException e) {
      problems.add(name + " is not UTF-8" + line(bytes) + ", so nothing in it is looked at");
    }
  }

  /** Where the first byte stands that is none of UTF-8. */
  private static String line(byte[] bytes) {
    List<String> lines = new ArrayList<>();
    new String(bytes, StandardCharsets.UTF_8).lines().forEach(lines::add);
    for (int i = 0; i < lines.size(); i++) {
      if (lines.get(i).indexOf('\ufffd') >= 0) {
        return " (see line " + (i + 1) + ")";
      }
    }
    return "";
  }

  private void large(String name) {
    problems.add(name + " is larger than 1 MiB, so nothing in it is looked at");
  }
}
