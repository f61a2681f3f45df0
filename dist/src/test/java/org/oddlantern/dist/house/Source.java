package org.oddlantern.dist.house;

import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.DocTrees;
import com.sun.source.util.JavacTask;
import com.sun.source.util.SourcePositions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;

/** One source file of the project, read as the compiler reads it. */
public record Source(
    Path file, CompilationUnitTree unit, DocTrees documents, SourcePositions positions) {

  private static final List<String> MODULES =
      List.of("core", "reports", "junit", "cli", "demo", "bench", "site");

  /** Everything that is published, and the demo and the benchmarks. */
  public static List<Source> all() throws IOException {
    List<Path> files = new ArrayList<>();
    for (String module : MODULES) {
      try (Stream<Path> found = Files.walk(Path.of("..", module, "src/main/java"))) {
        found.filter(path -> path.toString().endsWith(".java")).forEach(files::add);
      }
    }
    JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    List<Source> sources = new ArrayList<>();
    try (StandardJavaFileManager manager = compiler.getStandardFileManager(null, null, null)) {
      JavacTask task = (JavacTask) compiler.getTask(
          null,
          manager,
          null,
          List.of("-proc:none"),
          null,
          manager.getJavaFileObjectsFromPaths(files));
      DocTrees documents = DocTrees.instance(task);
      for (CompilationUnitTree unit : task.parse()) {
        sources.add(new Source(
            Path.of(unit.getSourceFile().toUri()),
            unit,
            documents,
            documents.getSourcePositions()));
      }
    }
    return sources;
  }

  /** The name of the package. */
  public String room() {
    return unit.getPackageName().toString();
  }

  /** Where something stands, as an editor finds it. */
  String place(Tree tree) {
    return file.getFileName() + ":" + line(positions.getStartPosition(unit, tree));
  }

  /** How many lines something takes. */
  long lines(Tree tree) {
    return line(positions.getEndPosition(unit, tree))
        - line(positions.getStartPosition(unit, tree))
        + 1;
  }

  private long line(long position) {
    return unit.getLineMap().getLineNumber(position);
  }
}
