package org.oddlantern.internal.junit;

import java.util.Optional;
import org.junit.platform.engine.EngineDiscoveryRequest;
import org.junit.platform.engine.ExecutionRequest;
import org.junit.platform.engine.TestDescriptor;
import org.junit.platform.engine.TestEngine;
import org.junit.platform.engine.UniqueId;

/**
 * Lets the JUnit Platform find and run suites, so that the ordinary build and editors do. Configuration
 * parameters, which are also read as system properties: {@code odd-lantern.env}, {@code odd-lantern.set}
 * (settings, separated by line breaks or blanks), {@code odd-lantern.lanes}, {@code odd-lantern.seed},
 * {@code odd-lantern.part} (like 2/5, or auto), {@code odd-lantern.earlier} (a folder with journals, by
 * which parts are balanced), {@code odd-lantern.out}. A run writes a journal; {@link ReportListener} makes the report.
 *
 * <pre>{@code
 * mvn test -Dtest=HiveRegisterTest#readBack -Dodd-lantern.env=staging
 * }</pre>
 */
public final class SuiteEngine implements TestEngine {

  /** The id by which the platform knows it. */
  public static final String ID = "odd-lantern";

  private final Planners planners = new Planners();

  /** Made by the platform. */
  public SuiteEngine() {}

  @Override
  public String getId() {
    return ID;
  }

  @Override
  public Optional<String> getGroupId() {
    return Optional.of("org.oddlantern");
  }

  @Override
  public Optional<String> getArtifactId() {
    return Optional.of("odd-lantern-junit");
  }

  @Override
  public TestDescriptor discover(EngineDiscoveryRequest request, UniqueId id) {
    Wanted wanted = Wanted.of(request);
    SuitesDescriptor root = new SuitesDescriptor(id);
    if (!wanted.isEmpty()) {
      new Tree(root).grow(wanted, planners);
    }
    return root;
  }

  @Override
  public void execute(ExecutionRequest request) {
    SuitesDescriptor root = (SuitesDescriptor) request.getRootTestDescriptor();
    new EngineRun(
            root,
            request.getEngineExecutionListener(),
            new Parameters(request.getConfigurationParameters()))
        .run();
  }
}
