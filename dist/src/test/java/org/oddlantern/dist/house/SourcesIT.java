package org.oddlantern.dist.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePathScanner;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import javax.lang.model.element.Modifier;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What holds for every source file of every module: sizes, javadoc, messages. */
class SourcesIT {

  private static final int LONGEST_FILE = 400;
  private static final int LONGEST_METHOD = 40;

  @Test
  void everySourceIsSmallExplainedAndSaysWhatItThrows() throws IOException {
    List<String> wrong = new ArrayList<>();
    List<Source> sources = Source.all();
    assertTrue(sources.size() > 500, "only " + sources.size() + " sources were found");
    for (Source source : sources) {
      String text = Files.readString(source.file());
      if (text.lines().count() > LONGEST_FILE) {
        wrong.add(source.file().getFileName() + " has more than " + LONGEST_FILE + " lines");
      }
      if (text.contains("%d") && !text.contains("Locale.ROOT")) {
        wrong.add(source.file().getFileName() + " writes numbers as the machine's language does");
      }
      new Reading(source, wrong).scan(source.unit(), null);
    }
    assertEquals("", String.join("\n", wrong));
  }

  /** Looks at each type, method and throw of a source. */
  private static final class Reading extends TreePathScanner<@Nullable Void, @Nullable Void> {
    private final Source source;
    private final List<String> wrong;
    private final List<ClassTree> around = new ArrayList<>();

    Reading(Source source, List<String> wrong) {
      this.source = source;
      this.wrong = wrong;
    }

    @Override
    public @Nullable Void visitClass(ClassTree type, @Nullable Void unused) {
      boolean named = !type.getSimpleName().isEmpty();
      if (named && isPublic(type.getModifiers().getFlags()) && isUndocumented()) {
        wrong.add(
            source.place(type) + " the public type " + type.getSimpleName() + " has no javadoc");
      }
      around.add(type);
      super.visitClass(type, null);
      around.remove(around.size() - 1);
      return null;
    }

    @Override
    public @Nullable Void visitMethod(MethodTree method, @Nullable Void unused) {
      if (source.lines(method) > LONGEST_METHOD) {
        wrong.add(source.place(method) + " " + method.getName() + " has " + source.lines(method)
            + " lines");
      }
      if (isPublic(method.getModifiers().getFlags()) && !isGiven(method) && isUndocumented()) {
        wrong.add(
            source.place(method) + " the public method " + method.getName() + " has no javadoc");
      }
      return super.visitMethod(method, null);
    }

    @Override
    public @Nullable Void visitThrow(ThrowTree thrown, @Nullable Void unused) {
      if (thrown.getExpression() instanceof NewClassTree made
          && made.getArguments().isEmpty()
          && !isOwn(made)) {
        wrong.add(source.place(thrown) + " throws without a message");
      }
      return super.visitThrow(thrown, null);
    }

    /** One's own exception brings its message along. */
    private boolean isOwn(NewClassTree made) {
      return around.stream()
          .flatMap(type -> type.getMembers().stream())
          .anyMatch(member -> member instanceof ClassTree own
              && own.getSimpleName().contentEquals(made.getIdentifier().toString()));
    }

    private boolean isPublic(Set<Modifier> flags) {
      ClassTree type = around.isEmpty() ? null : around.get(around.size() - 1);
      boolean outside =
          around.stream().allMatch(one -> one.getModifiers().getFlags().contains(Modifier.PUBLIC));
      boolean implied = type != null
          && (type.getKind() == Tree.Kind.INTERFACE || type.getKind() == Tree.Kind.ANNOTATION_TYPE)
          && !flags.contains(Modifier.PRIVATE);
      return outside && (flags.contains(Modifier.PUBLIC) || implied);
    }

    /** What it means is said where it is declared first. */
    private static boolean isGiven(MethodTree method) {
      return method.getModifiers().getAnnotations().stream()
          .anyMatch(one -> one.getAnnotationType().toString().equals("Override"));
    }

    private boolean isUndocumented() {
      return source.documents().getDocCommentTree(getCurrentPath()) == null;
    }
  }
}
