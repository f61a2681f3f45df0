package org.oddlantern.internal.plan;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Enumeration;
import java.util.List;
import java.util.jar.JarEntry;
import java.util.jar.JarFile;
import java.util.stream.Stream;

/**
 * A class folder or a jar in which suites are looked for.
 *
 * @param path the folder or the jar
 */
public record Place(Path path) {

  /** The version of class files that Java 1 would have. */
  private static final int OLDEST = 44;

  /**
   * The heads of all class files in it, in the order of their names.
   *
   * @return the class files
   * @throws IOException if the place cannot be read
   */
  List<ClassFile> heads() throws IOException {
    return Files.isDirectory(path) ? inFolder() : inJar();
  }

  private List<ClassFile> inFolder() throws IOException {
    List<ClassFile> files = new ArrayList<>();
    try (Stream<Path> walk = Files.walk(path)) {
      for (Path file :
          walk.filter(p -> isClassFile(p.getFileName().toString())).sorted().toList()) {
        files.add(head(file.toString(), Files.readAllBytes(file)));
      }
    }
    return files;
  }

  private List<ClassFile> inJar() throws IOException {
    List<ClassFile> files = new ArrayList<>();
    try (JarFile jar = new JarFile(path.toFile())) {
      for (JarEntry entry : entries(jar)) {
        try (InputStream stream = jar.getInputStream(entry)) {
          files.add(head(entry.getName(), stream.readAllBytes()));
        }
      }
    }
    return files;
  }

  private static List<JarEntry> entries(JarFile jar) {
    Enumeration<JarEntry> all = jar.entries();
    return Collections.list(all).stream()
        .filter(entry -> isClassFile(entry.getName()) && !entry.getName().startsWith("META-INF/"))
        .sorted((a, b) -> a.getName().compareTo(b.getName()))
        .toList();
  }

  private static ClassFile head(String name, byte[] bytes) throws IOException {
    try {
      return ClassFile.head(bytes);
    } catch (RuntimeException e) {
      throw new IOException(name + " is " + kind(bytes), e);
    }
  }

  /** What a class file is that cannot be read (JVM specification, section 4.1). */
  private static String kind(byte[] bytes) {
    boolean head = bytes.length > 7
        && (bytes[0] & 0xFF) == 0xCA
        && (bytes[1] & 0xFF) == 0xFE
        && (bytes[2] & 0xFF) == 0xBA
        && (bytes[3] & 0xFF) == 0xBE;
    if (!head) {
      return "no class file; compile the suites anew";
    }
    int java = ((bytes[6] & 0xFF) << 8 | bytes[7] & 0xFF) - OLDEST;
    return java > Runtime.version().feature()
        ? "compiled for Java " + java + ", and this is Java "
            + Runtime.version().feature() + "; compile with --release, or run with a newer Java"
        : "cut off or damaged; compile the suites anew";
  }

  private static boolean isClassFile(String name) {
    return name.endsWith(".class")
        && !name.endsWith("module-info.class")
        && !name.endsWith("package-info.class");
  }
}
