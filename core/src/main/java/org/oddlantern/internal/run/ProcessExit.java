package org.oddlantern.internal.run;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Finds out, while a process ends, whether one of its own threads told it to. */
final class ProcessExit {

  private ProcessExit() {}

  /** Who it was, in a sentence; empty if it was told from outside. */
  static Optional<String> of(Map<Thread, String> atWork) {
    return Thread.getAllStackTraces().entrySet().stream()
        .filter(one -> Arrays.stream(one.getValue()).anyMatch(ProcessExit::isExit))
        .findFirst()
        .map(one -> told(one.getKey(), one.getValue(), atWork.getOrDefault(one.getKey(), "")));
  }

  private static String told(Thread thread, StackTraceElement[] stack, String id) {
    List<StackTraceElement> frames = List.of(stack);
    String at = frames.stream()
        .dropWhile(frame -> !isExit(frame))
        .dropWhile(frame -> frame.getClassName().startsWith("java."))
        .findFirst()
        .map(frame -> " at " + frame.getFileName() + ":" + frame.getLineNumber())
        .orElse("");
    return (id.isEmpty() ? "the thread '" + thread.getName() + "'" : "the case " + id)
        + " told the process to end, with System.exit" + at
        + "; the cases after it did not run";
  }

  private static boolean isExit(StackTraceElement frame) {
    boolean exit = frame.getMethodName().equals("exit");
    return exit && List.of("java.lang.System", "java.lang.Runtime").contains(frame.getClassName());
  }
}
