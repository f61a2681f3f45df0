package org.oddlantern.internal.plan;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.org.objectweb.asm.Handle;
import org.oddlantern.shaded.org.objectweb.asm.Label;
import org.oddlantern.shaded.org.objectweb.asm.MethodVisitor;
import org.oddlantern.shaded.org.objectweb.asm.Opcodes;

/** Finds in a method where a schema or a step is named by a constant. */
class NamedTexts extends MethodVisitor {

  private static final String CHECKS = "org/oddlantern/check/Checks";

  private static final Set<String> CALLS = Set.of(
      CHECKS + ".schema",
      "org/oddlantern/check/Shapes.schema",
      "org/oddlantern/schema/Schema.named");

  private final String method;
  private final String source;
  private final List<SchemaName> found;
  private final List<String> steps;
  private @Nullable String constant;
  private int line;

  NamedTexts(String method, String source, List<SchemaName> found, List<String> steps) {
    super(Opcodes.ASM9);
    this.method = method;
    this.source = source;
    this.found = found;
    this.steps = steps;
  }

  @Override
  public void visitLineNumber(int number, Label start) {
    line = number;
  }

  @Override
  public void visitLdcInsn(Object value) {
    constant = value instanceof String text ? text : null;
  }

  @Override
  public void visitMethodInsn(
      int opcode, String owner, String name, String descriptor, boolean isInterface) {
    if (constant != null && name.equals("step") && owner.equals(CHECKS)) {
      steps.add(constant);
    } else if (constant != null
        && CALLS.contains(owner + "." + name)
        && descriptor.startsWith("(Ljava/lang/String;)")) {
      String where = method.startsWith("<") || method.startsWith("lambda$") ? "" : " in " + method;
      found.add(new SchemaName(constant, source + ":" + line + where));
    }
    constant = null;
  }

  @Override
  public void visitInvokeDynamicInsn(
      String name, String descriptor, Handle bootstrap, Object... arguments) {
    constant = null;
  }

  @Override
  public void visitVarInsn(int opcode, int variable) {
    constant = null;
  }

  @Override
  public void visitFieldInsn(int opcode, String owner, String name, String descriptor) {
    constant = null;
  }

  /** The line that is being read. */
  int line() {
    return line;
  }
}
