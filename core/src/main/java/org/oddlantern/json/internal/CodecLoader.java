package org.oddlantern.json.internal;

import java.io.IOException;
import java.io.InputStream;

/**
 * Loads the codecs of known mappers where those mappers are: run by the command, a project's libraries
 * are below this library's own classes, which do not see them.
 */
final class CodecLoader extends ClassLoader {

  private static final String CODECS = CodecLoader.class.getPackageName() + ".jackson";

  private CodecLoader(ClassLoader libraries) {
    super(libraries);
  }

  static ClassLoader beside(ClassLoader libraries) {
    ClassLoader own = CodecLoader.class.getClassLoader();
    return own == libraries ? own : new CodecLoader(libraries);
  }

  @Override
  protected Class<?> loadClass(String name, boolean resolve) throws ClassNotFoundException {
    synchronized (getClassLoadingLock(name)) {
      Class<?> loaded = findLoadedClass(name);
      if (loaded != null) {
        return loaded;
      }
      return name.startsWith(CODECS) ? defined(name) : super.loadClass(name, resolve);
    }
  }

  private Class<?> defined(String name) throws ClassNotFoundException {
    String file = name.replace('.', '/') + ".class";
    try (InputStream stream = CodecLoader.class.getClassLoader().getResourceAsStream(file)) {
      if (stream == null) {
        throw new ClassNotFoundException(name);
      }
      byte[] code = stream.readAllBytes();
      return defineClass(name, code, 0, code.length);
    } catch (IOException e) {
      throw new ClassNotFoundException(name + " cannot be read", e);
    }
  }
}
