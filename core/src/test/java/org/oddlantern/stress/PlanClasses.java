package org.oddlantern.stress;

import static org.oddlantern.shaded.org.objectweb.asm.Opcodes.*;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.internal.plan.ValueParameter;
import org.oddlantern.payload.Fresh;
import org.oddlantern.shaded.org.objectweb.asm.AnnotationVisitor;
import org.oddlantern.shaded.org.objectweb.asm.ClassWriter;
import org.oddlantern.shaded.org.objectweb.asm.MethodVisitor;
import org.oddlantern.shaded.org.objectweb.asm.Type;
import org.oddlantern.suite.Alone;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Changes;
import org.oddlantern.suite.KnownFault;
import org.oddlantern.suite.MadeBy;
import org.oddlantern.suite.Occupies;
import org.oddlantern.suite.Pending;
import org.oddlantern.suite.Retries;
import org.oddlantern.suite.Skipped;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.TidyUp;
import org.oddlantern.suite.TimeLimit;
import org.oddlantern.suite.UsesUp;

/** Writes class files for random items: a class for each suite, and one for the type of each value. */
final class PlanClasses {

  private static final String DEEDS = Type.getInternalName(Deeds.class);

  private final Map<Integer, Item> items = new HashMap<>();
  private final List<Item> source;

  PlanClasses(List<Item> source) {
    this.source = source;
    source.forEach(item -> items.put(item.id(), item));
  }

  void write(Path folder) throws IOException {
    Files.createDirectories(folder.resolve("stress"));
    for (int suite = 0; suite < 4; suite++) {
      int number = suite;
      List<Item> own = source.stream().filter(item -> item.suite() == number).toList();
      if (!own.isEmpty()) {
        Files.write(folder.resolve(suite(suite) + ".class"), suite(suite, own));
      }
    }
    for (Item item : source) {
      if (item.gives()) {
        Files.write(folder.resolve(value(item.id()) + ".class"), value(item));
      }
    }
  }

  static String suite(int number) {
    return "stress/S" + number + "Test";
  }

  private static String value(int id) {
    return "stress/V" + id;
  }

  private static byte[] value(Item item) {
    Class<?> base = item.tidied() ? Value.class : Value.Closed.class;
    ClassWriter type = begun(value(item.id()), Type.getInternalName(base));
    type.visitEnd();
    return type.toByteArray();
  }

  private byte[] suite(int number, List<Item> own) {
    ClassWriter type = begun(suite(number), "java/lang/Object");
    for (Item item : own) {
      method(type, item);
      if (item.gives() && item.tidied()) {
        tidyUp(type, item);
      }
    }
    type.visitEnd();
    return type.toByteArray();
  }

  private static ClassWriter begun(String name, String base) {
    ClassWriter type = new ClassWriter(ClassWriter.COMPUTE_MAXS);
    type.visit(V17, ACC_PUBLIC, name, null, base, null);
    MethodVisitor constructor = type.visitMethod(ACC_PUBLIC, "<init>", "()V", null, null);
    constructor.visitCode();
    constructor.visitVarInsn(ALOAD, 0);
    constructor.visitMethodInsn(INVOKESPECIAL, base, "<init>", "()V", false);
    constructor.visitInsn(RETURN);
    constructor.visitMaxs(0, 0);
    constructor.visitEnd();
    return type;
  }

  /** {@code V3 m3(Fresh fresh, V1 one, ...) { return (V3) Deeds.run(3, fresh, new Object[] {one, ...}, V3.class); }}. */
  private void method(ClassWriter type, Item item) {
    StringBuilder descriptor = new StringBuilder("(").append(Type.getDescriptor(Fresh.class));
    item.takes()
        .forEach(take -> descriptor.append('L').append(value(take.from())).append(';'));
    descriptor.append(item.gives() ? ")L" + value(item.id()) + ";" : ")V");
    MethodVisitor method =
        type.visitMethod(ACC_PUBLIC, item.method(), descriptor.toString(), null, null);
    marks(method, item);
    for (int i = 0; i < item.takes().size(); i++) {
      parameter(method, i + 1, item.takes().get(i));
    }
    method.visitCode();
    method.visitLdcInsn(item.id());
    method.visitVarInsn(ALOAD, 1);
    method.visitLdcInsn(item.takes().size());
    method.visitTypeInsn(ANEWARRAY, "java/lang/Object");
    for (int i = 0; i < item.takes().size(); i++) {
      method.visitInsn(DUP);
      method.visitLdcInsn(i);
      method.visitVarInsn(ALOAD, i + 2);
      method.visitInsn(AASTORE);
    }
    if (item.gives()) {
      method.visitLdcInsn(Type.getObjectType(value(item.id())));
    } else {
      method.visitInsn(ACONST_NULL);
    }
    method.visitMethodInsn(
        INVOKESTATIC,
        DEEDS,
        "run",
        "(ILorg/oddlantern/payload/Fresh;[Ljava/lang/Object;Ljava/lang/Class;)Ljava/lang/Object;",
        false);
    if (item.gives()) {
      method.visitTypeInsn(CHECKCAST, value(item.id()));
      method.visitInsn(ARETURN);
    } else {
      method.visitInsn(POP);
      method.visitInsn(RETURN);
    }
    method.visitMaxs(0, 0);
    method.visitEnd();
  }

  private static void tidyUp(ClassWriter type, Item item) {
    MethodVisitor method = type.visitMethod(
        ACC_PUBLIC | ACC_STATIC, "t" + item.id(), "(L" + value(item.id()) + ";)V", null, null);
    method.visitAnnotation(Type.getDescriptor(TidyUp.class), true).visitEnd();
    method.visitCode();
    method.visitVarInsn(ALOAD, 0);
    method.visitMethodInsn(
        INVOKESTATIC, DEEDS, "putBack", "(Lorg/oddlantern/stress/Value;)V", false);
    method.visitInsn(RETURN);
    method.visitMaxs(0, 0);
    method.visitEnd();
  }

  private static void marks(MethodVisitor method, Item item) {
    if (!item.isCase()) {
      AnnotationVisitor supply = mark(method, Supply.class);
      supply.visit("shared", item.kind() == Item.Kind.SHARED_SUPPLY);
      supply.visitEnd();
      return;
    }
    mark(method, Case.class).visitEnd();
    switch (item.mark()) {
      case "skipped" -> value(mark(method, Skipped.class), "why", "as wanted");
      case "pending" -> mark(method, Pending.class).visitEnd();
      case "fault" -> value(mark(method, KnownFault.class), "value", "F-1");
      default -> {}
    }
    if (item.alone()) {
      mark(method, Alone.class).visitEnd();
    }
    if (item.tries() > 1) {
      value(mark(method, Retries.class), "value", item.tries() - 1);
    }
    if (item.how().equals("hang") && item.failures() > 0) {
      value(mark(method, TimeLimit.class), "value", "60ms");
    }
    if (item.occupies() != null) {
      AnnotationVisitor occupies = mark(method, Occupies.class);
      AnnotationVisitor names = occupies.visitArray("value");
      names.visit(null, item.occupies());
      names.visitEnd();
      occupies.visitEnd();
    }
  }

  private void parameter(MethodVisitor method, int index, Item.Take take) {
    AnnotationVisitor madeBy =
        method.visitParameterAnnotation(index, Type.getDescriptor(MadeBy.class), true);
    AnnotationVisitor classes = madeBy.visitArray("value");
    classes.visit(null, Type.getObjectType(suite(items.get(take.from()).suite())));
    classes.visitEnd();
    madeBy.visitEnd();
    if (take.use() != ValueParameter.Use.READS) {
      Class<?> mark = take.use() == ValueParameter.Use.CHANGES ? Changes.class : UsesUp.class;
      method.visitParameterAnnotation(index, Type.getDescriptor(mark), true).visitEnd();
    }
  }

  private static AnnotationVisitor mark(MethodVisitor method, Class<?> mark) {
    return method.visitAnnotation(Type.getDescriptor(mark), true);
  }

  private static void value(AnnotationVisitor mark, String name, Object value) {
    mark.visit(name, value);
    mark.visitEnd();
  }
}
