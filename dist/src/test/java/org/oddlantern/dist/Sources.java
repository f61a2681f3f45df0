package org.oddlantern.dist;

import java.io.File;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import javax.tools.JavaCompiler;
import javax.tools.ToolProvider;

/** Java sources of a test, compiled as a user would. */
public final class Sources {

  private Sources() {}

  /** Compiles a class into a folder and gives the folder. */
  public static Path compile(Path folder, String className, String source) throws IOException {
    Path file = folder.resolve("src").resolve(className.replace('.', '/') + ".java");
    Files.createDirectories(file.getParent());
    Files.writeString(file, source);
    Path classes =
        Files.createDirectories(folder.resolve("classes-of-" + className.replaceAll(".*\\.", "")));
    List<Path> classPath = new ArrayList<>(Command.libraries());
    String joined =
        classPath.stream().map(Path::toString).collect(Collectors.joining(File.pathSeparator));
    JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    StringWriter messages = new StringWriter();
    boolean done = compiler
        .getTask(
            messages,
            null,
            null,
            List.of("-d", classes.toString(), "-cp", joined, "-parameters", "-g", "-proc:none"),
            null,
            compiler.getStandardFileManager(null, null, null).getJavaFileObjects(file))
        .call();
    if (!done) {
      throw new IllegalStateException(
          "the source of " + className + " does not compile:\n" + messages);
    }
    return classes;
  }
}
