package org.oddlantern.internal.junit;

import org.jspecify.annotations.Nullable;
import org.junit.platform.engine.TestSource;
import org.junit.platform.engine.UniqueId;
import org.junit.platform.engine.support.descriptor.AbstractTestDescriptor;
import org.junit.platform.engine.support.descriptor.ClassSource;
import org.junit.platform.engine.support.descriptor.MethodSource;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.CaseId;
import org.oddlantern.internal.plan.SuiteName;

/** A suite, a section, a case, or one sample of a case, as the platform shows it. */
final class Node extends AbstractTestDescriptor {

  static final String SUITE = "suite";
  static final String SECTION = "section";
  static final String CASE = "case";
  static final String SAMPLE = "sample";

  private final Type type;
  private final @Nullable CaseId id;

  private Node(
      UniqueId unique, String name, @Nullable TestSource source, Type type, @Nullable CaseId id) {
    super(unique, name, source);
    this.type = type;
    this.id = id;
  }

  /** A suite, or a section below the one around it. */
  static Node suite(UniqueId parent, Class<?> suite) {
    boolean section = suite.getEnclosingClass() != null;
    return new Node(
        parent.append(section ? SECTION : SUITE, section ? suite.getSimpleName() : suite.getName()),
        section ? suite.getSimpleName() : SuiteName.of(suite),
        ClassSource.from(suite),
        Type.CONTAINER,
        null);
  }

  /** A case over samples. */
  static Node samples(UniqueId parent, CaseDefinition one) {
    CaseId id = one.id();
    return new Node(
        parent.append(CASE, id.method()), id.method(), source(one), Type.CONTAINER, null);
  }

  /** A case. */
  static Node of(UniqueId parent, CaseDefinition one) {
    return new Node(
        parent.append(CASE, of(one.id())), one.title(), source(one), Type.TEST, one.id());
  }

  /** One sample of a case. */
  static Node sample(UniqueId parent, CaseDefinition one) {
    return new Node(
        parent.append(SAMPLE, one.id().sample()), one.title(), source(one), Type.TEST, one.id());
  }

  /** Something else that has an outcome, below its suite. */
  static Node other(UniqueId parent, String name, @Nullable TestSource source) {
    return new Node(parent.append("entry", name), name, source, Type.TEST, null);
  }

  private static String of(CaseId id) {
    return id.environment().isEmpty() ? id.method() : id.method() + "@" + id.environment();
  }

  private static MethodSource source(CaseDefinition one) {
    return MethodSource.from(one.suite(), one.method());
  }

  /** The case; null for what only holds cases. */
  @Nullable
  CaseId caseId() {
    return id;
  }

  @Override
  public Type getType() {
    return type;
  }

  /** What a build puts into its own reports. */
  @Override
  public String getLegacyReportingName() {
    if (id == null) {
      return super.getLegacyReportingName();
    }
    return of(id) + (id.sample().isEmpty() ? "()" : "[" + id.sample() + "]");
  }
}
