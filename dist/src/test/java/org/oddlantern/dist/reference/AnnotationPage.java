package org.oddlantern.dist.reference;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePathScanner;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.oddlantern.dist.house.Source;

/** Every annotation of a suite. */
final class AnnotationPage {

  private final Map<String, String> parts = new TreeMap<>();

  private AnnotationPage() {}

  static String text(List<Source> sources) {
    AnnotationPage page = new AnnotationPage();
    for (Source source : sources) {
      if (source.room().matches("org\\.oddlantern\\.(suite|junit)")) {
        page.new Types(source).scan(source.unit(), null);
      }
    }
    return """
        # Annotations

        Every annotation of a suite: tests, set-up and tear-down, data, tags, skipping, retries, time limits, what runs alone. Written by a test from the code. [Suites](../suites.md) shows them at work.
        """ + String.join("", page.parts.values());
  }

  /** Finds annotation types. */
  private final class Types extends TreePathScanner<@Nullable Void, @Nullable Void> {
    private final Source source;

    Types(Source source) {
      this.source = source;
    }

    @Override
    public @Nullable Void visitClass(ClassTree type, @Nullable Void unused) {
      if (type.getKind() == Tree.Kind.ANNOTATION_TYPE) {
        String name = type.getSimpleName().toString();
        StringBuilder part = new StringBuilder("\n## @" + name + "\n\n");
        part.append(new Javadoc(source.documents().getDocComment(getCurrentPath())).markdown());
        part.append("\n\nUsed on: ").append(targets(type)).append(".\n");
        parts.put(name, part.toString());
        super.visitClass(type, null);
      }
      return null;
    }

    @Override
    public @Nullable Void visitMethod(MethodTree element, @Nullable Void unused) {
      String name = ((ClassTree) getCurrentPath().getParentPath().getLeaf()).getSimpleName() + "";
      Tree standard = element.getDefaultValue();
      String line = "- `" + element.getName() + "` (" + element.getReturnType()
          + (standard == null ? ", needed" : ", `" + standard + "` if not set") + "): "
          + new Javadoc(source.documents().getDocComment(getCurrentPath())).sentence() + "\n";
      parts.merge(
          name, line, (before, more) -> before + (before.contains("\n- `") ? "" : "\n") + more);
      return null;
    }
  }

  private static String targets(ClassTree type) {
    for (AnnotationTree one : type.getModifiers().getAnnotations()) {
      if (one.getAnnotationType().toString().equals("Target")) {
        return one.getArguments()
            .get(0)
            .toString()
            .replaceAll("value = |ElementType\\.|[{}\\s]", "")
            .toLowerCase(Locale.ROOT)
            .replace("type_use", "use of a type")
            .replace("type", "class")
            .replace("method", "method")
            .replace(",", ", ");
      }
    }
    return "anything";
  }
}
