package org.oddlantern.dist.failures;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URL;
import java.net.URLClassLoader;
import java.util.ArrayList;
import java.util.List;
import org.oddlantern.shaded.org.objectweb.asm.ClassReader;
import org.oddlantern.shaded.org.objectweb.asm.ClassVisitor;
import org.oddlantern.shaded.org.objectweb.asm.ClassWriter;
import org.oddlantern.shaded.org.objectweb.asm.MethodVisitor;
import org.oddlantern.shaded.org.objectweb.asm.Opcodes;

/** The classes of a jar, of which one has one of its checks replaced by another that always holds. */
final class WithoutCheck extends URLClassLoader {

  private static final String CHECKS = "org/oddlantern/check/Checks";
  private static final String CHECK = "Lorg/oddlantern/evidence/Check;";

  private final String suite;
  private final int taken;
  private final List<Site> sites = new ArrayList<>();

  WithoutCheck(URL jar, String suite, int taken) {
    super(new URL[] {jar}, WithoutCheck.class.getClassLoader());
    this.suite = suite;
    this.taken = taken;
  }

  /** The checks of the class, once it is loaded. */
  List<Site> sites() {
    return sites;
  }

  @Override
  protected Class<?> loadClass(String name, boolean resolve) throws ClassNotFoundException {
    synchronized (getClassLoadingLock(name)) {
      Class<?> known = findLoadedClass(name);
      if (known != null) {
        return known;
      }
      return name.startsWith("org.oddlantern.demo.suites.")
          ? findClass(name)
          : super.loadClass(name, resolve);
    }
  }

  @Override
  public URL getResource(String name) {
    URL own = findResource(name);
    return own == null ? super.getResource(name) : own;
  }

  @Override
  protected Class<?> findClass(String name) throws ClassNotFoundException {
    if (!name.equals(suite)) {
      return super.findClass(name);
    }
    try (InputStream file = getResourceAsStream(name.replace('.', '/') + ".class")) {
      ClassReader reader = new ClassReader(file);
      ClassWriter writer = new ClassWriter(reader, 0);
      reader.accept(new Taking(writer), 0);
      byte[] bytes = writer.toByteArray();
      return defineClass(name, bytes, 0, bytes.length);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * A check in the class file.
   *
   * @param number counts from 0
   * @param method the method it stands in, also if that is inside of a lambda
   */
  record Site(int number, String method) {}

  private final class Taking extends ClassVisitor {

    Taking(ClassVisitor next) {
      super(Opcodes.ASM9, next);
    }

    @Override
    public MethodVisitor visitMethod(
        int access, String name, String descriptor, String signature, String[] exceptions) {
      MethodVisitor next = super.visitMethod(access, name, descriptor, signature, exceptions);
      String method = name.replaceFirst("lambda\\$(\\w+)\\$\\d+", "$1");
      return new MethodVisitor(Opcodes.ASM9, next) {
        @Override
        public void visitMethodInsn(
            int opcode, String owner, String called, String type, boolean isInterface) {
          super.visitMethodInsn(opcode, owner, called, type, isInterface);
          if (opcode == Opcodes.INVOKESTATIC && owner.equals(CHECKS) && type.endsWith(CHECK)) {
            Site site = new Site(sites.size(), method);
            sites.add(site);
            if (site.number() == taken) {
              super.visitInsn(Opcodes.POP);
              super.visitLdcInsn("taken out");
              super.visitInsn(Opcodes.ICONST_1);
              super.visitMethodInsn(
                  Opcodes.INVOKESTATIC, CHECKS, "holds", "(Ljava/lang/String;Z)" + CHECK, false);
            }
          }
        }

        @Override
        public void visitMaxs(int stack, int locals) {
          super.visitMaxs(stack + 2, locals);
        }
      };
    }
  }
}
