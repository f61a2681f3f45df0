package org.oddlantern.dist.reference;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javax.lang.model.element.Modifier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.dist.house.Source;

/** What can be asserted: each check and shape with what it means, an example and the failure it prints. */
final class CheckPage {

  private static final Map<String, String> HEADINGS = headings();

  private final Map<String, Map<String, List<Entry>>> byClass = new LinkedHashMap<>();

  CheckPage(List<Source> sources) {
    HEADINGS.keySet().forEach(name -> byClass.put(name, new LinkedHashMap<>()));
    for (Source source : sources) {
      if (source.room().equals("org.oddlantern.check")) {
        new Methods(source).scan(source.unit(), null);
      }
    }
  }

  private static Map<String, String> headings() {
    Map<String, String> headings = new LinkedHashMap<>();
    headings.put("Checks", "Checks of a reply, a row or a file");
    headings.put("Shapes", "Shapes of values");
    headings.put("ListShapes", "Shapes of lists");
    headings.put("Steps", "Steps of a case");
    return headings;
  }

  /** Every name that the page explains. */
  List<String> names() {
    return byClass.values().stream()
        .flatMap(one -> one.keySet().stream())
        .distinct()
        .toList();
  }

  String text(Map<String, Example> examples) {
    StringBuilder page = new StringBuilder("""
        # Checks and shapes

        Every assertion of Odd Lantern, with an example that fails and what is printed then. `import static org.oddlantern.check.Checks.*` brings all of them. Written by a test from the code and from a run.

        [Checks](../checks.md) explains how they are combined, [JSONPath](../checks.md#reading) how values are found.

        The reply in the examples has this body:

        ```json
        %s
        ```
        """.formatted(Examples.BODY));
    HEADINGS.forEach((name, heading) -> {
      page.append("\n## ").append(heading).append("\n");
      byClass.get(name).forEach((method, entries) -> {
        page.append("\n### ").append(method).append("\n\n");
        entries.forEach(one -> page.append("- `")
            .append(one.signature)
            .append("`: ")
            .append(one.meaning)
            .append('\n'));
        Example example = examples.get(method);
        page.append("\n```java\n").append(example.code()).append("\n```\n\n```text\n");
        page.append(example.printed()).append("\n```\n");
      });
    });
    return page.toString();
  }

  /** One method. */
  private record Entry(String signature, String meaning) {}

  /** Finds the public static methods. */
  private final class Methods extends TreePathScanner<@Nullable Void, @Nullable Void> {
    private final Source source;

    Methods(Source source) {
      this.source = source;
    }

    @Override
    public @Nullable Void visitMethod(MethodTree method, @Nullable Void unused) {
      TreePath around = getCurrentPath().getParentPath();
      String type = ((ClassTree) around.getLeaf()).getSimpleName().toString();
      boolean offered = method.getModifiers().getFlags().contains(Modifier.PUBLIC)
          && method.getModifiers().getFlags().contains(Modifier.STATIC);
      if (offered && byClass.containsKey(type)) {
        String name = method.getName().toString();
        String parameters = method.getParameters().stream()
            .map(one -> one.toString().replaceAll("@Nullable(\\(\\))? ?", ""))
            .collect(Collectors.joining(", "));
        byClass
            .get(type)
            .computeIfAbsent(name, key -> new ArrayList<>())
            .add(new Entry(
                name + "(" + parameters + ")",
                new Javadoc(source.documents().getDocComment(getCurrentPath())).sentence()));
      }
      return null;
    }
  }
}
