package org.oddlantern.internal.plan;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.org.objectweb.asm.AnnotationVisitor;
import org.oddlantern.shaded.org.objectweb.asm.ClassReader;
import org.oddlantern.shaded.org.objectweb.asm.ClassVisitor;
import org.oddlantern.shaded.org.objectweb.asm.Label;
import org.oddlantern.shaded.org.objectweb.asm.MethodVisitor;
import org.oddlantern.shaded.org.objectweb.asm.Opcodes;
import org.oddlantern.shaded.org.objectweb.asm.Type;
import org.oddlantern.suite.Case;

/** What a class file tells without loading its class: kinship, marks, and the source order of its methods. */
final class ClassFile {

  private static final byte[] MARK =
      Type.getDescriptor(Case.class).getBytes(StandardCharsets.UTF_8);

  /** The tag of a constant that is a text (JVM specification, section 4.4). */
  private static final byte TEXT = 1;

  private final String name;
  private final String superName;
  private final boolean marked;
  private final Map<String, Position> methods = new HashMap<>();
  private final List<SchemaName> schemas = new ArrayList<>();
  private final Map<String, List<String>> steps = new HashMap<>();
  private final List<String> warnings = new ArrayList<>();
  private final List<PlanProblem> foreignMarks = new ArrayList<>();
  private int firstLine = Integer.MAX_VALUE;
  private String source = "";

  private ClassFile(String name, String superName, boolean marked) {
    this.name = name;
    this.superName = superName;
    this.marked = marked;
  }

  /** Reads the head of a class file: enough to tell whether it can be a suite. */
  static ClassFile head(byte[] bytes) {
    ClassReader reader = new ClassReader(bytes);
    return new ClassFile(
        reader.getClassName(), String.valueOf(reader.getSuperName()), isMarked(reader, bytes));
  }

  /** Reads a class file with the positions of its methods. */
  static ClassFile whole(byte[] bytes) {
    ClassReader reader = new ClassReader(bytes);
    ClassFile file = new ClassFile(
        reader.getClassName(), String.valueOf(reader.getSuperName()), isMarked(reader, bytes));
    reader.accept(file.new Visitor(), ClassReader.SKIP_FRAMES);
    return file;
  }

  /** The binary name. */
  String className() {
    return name.replace('/', '.');
  }

  String superName() {
    return superName.replace('/', '.');
  }

  /** Whether a method of the class carries the mark of a case. */
  boolean isMarked() {
    return marked;
  }

  /** The schemas that its code names by constants, in source order. */
  List<SchemaName> schemas() {
    return schemas;
  }

  /** The steps that a method names by constants, in source order. */
  List<String> steps(String method, String descriptor) {
    return List.copyOf(steps.getOrDefault(method + descriptor, List.of()));
  }

  /** Fields that its methods assign: they carry nothing from case to case. */
  List<String> warnings() {
    return warnings;
  }

  /** Marks of other test frameworks on it and its methods. */
  List<PlanProblem> foreignMarks() {
    return foreignMarks;
  }

  Position position(String method, String descriptor) {
    return methods.getOrDefault(method + descriptor, Position.UNKNOWN);
  }

  Position start() {
    return new Position(source, firstLine == Integer.MAX_VALUE ? 0 : firstLine, 0);
  }

  /** Whether it names the mark: looked for among its constants, of which a file has far fewer than octets. */
  private static boolean isMarked(ClassReader reader, byte[] bytes) {
    for (int i = 1; i < reader.getItemCount(); i++) {
      int length = reader.getItem(i);
      int text = length + 2;
      if (length > 0
          && bytes[length - 1] == TEXT
          && reader.readUnsignedShort(length) == MARK.length
          && Arrays.equals(bytes, text, text + MARK.length, MARK, 0, MARK.length)) {
        return true;
      }
    }
    return false;
  }

  private final class Visitor extends ClassVisitor {
    Visitor() {
      super(Opcodes.ASM9);
    }

    @Override
    public void visitSource(@Nullable String file, @Nullable String debug) {
      source = file == null ? "" : file;
    }

    @Override
    public @Nullable AnnotationVisitor visitAnnotation(String mark, boolean visible) {
      ForeignMarks.problem(mark, simpleName() + " (" + source + ")").ifPresent(foreignMarks::add);
      return null;
    }

    @Override
    public MethodVisitor visitMethod(
        int access,
        String method,
        String descriptor,
        @Nullable String signature,
        String @Nullable [] exceptions) {
      int order = methods.size();
      methods.put(method + descriptor, new Position(source, 0, order));
      return new MethodReader(method, descriptor, order);
    }
  }

  private String simpleName() {
    return name.substring(name.lastIndexOf('/') + 1);
  }

  /** Reads one method for its first line, the schemas it names and the fields it assigns. */
  private final class MethodReader extends NamedTexts {
    private final String method;
    private final String key;
    private final int order;
    private final List<String> marks = new ArrayList<>();

    MethodReader(String method, String descriptor, int order) {
      super(
          method,
          source,
          schemas,
          steps.computeIfAbsent(method + descriptor, key -> new ArrayList<>(0)));
      this.method = method;
      this.key = method + descriptor;
      this.order = order;
    }

    @Override
    public @Nullable AnnotationVisitor visitAnnotation(String mark, boolean visible) {
      marks.add(mark);
      return null;
    }

    @Override
    public void visitLineNumber(int line, Label start) {
      super.visitLineNumber(line, start);
      firstLine = Math.min(firstLine, line);
      methods.computeIfPresent(
          key, (same, known) -> known.line() == 0 ? new Position(source, line, order) : known);
    }

    @Override
    public void visitFieldInsn(int opcode, String owner, String field, String descriptor) {
      super.visitFieldInsn(opcode, owner, field, descriptor);
      boolean assigned = opcode == Opcodes.PUTFIELD || opcode == Opcodes.PUTSTATIC;
      if (assigned && owner.equals(name) && !isInitialiser()) {
        warnings.add(String.format(
            Locale.ROOT,
            "%s assigns the field '%s' in %s (%s:%d); each case has an instance of its own, so return the value instead",
            simpleName(),
            field,
            method,
            source,
            line()));
      }
    }

    /** Lambdas of an initialiser are methods named after it. */
    private boolean isInitialiser() {
      return method.startsWith("<")
          || method.startsWith("lambda$new$")
          || method.startsWith("lambda$static$");
    }

    @Override
    public void visitEnd() {
      Position position = methods.getOrDefault(key, Position.UNKNOWN);
      marks.forEach(
          mark -> ForeignMarks.problem(mark, simpleName() + "#" + method + " (" + position + ")")
              .ifPresent(foreignMarks::add));
    }
  }
}
