package org.oddlantern.junit;

import java.lang.reflect.Executable;
import java.lang.reflect.Method;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolutionException;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Service;
import org.oddlantern.internal.run.Guest;
import org.oddlantern.payload.Fresh;
import org.opentest4j.AssertionFailedError;
import org.opentest4j.TestAbortedException;

/**
 * Does what {@link UsesServices} promises. May be registered by itself, too.
 *
 * <pre>{@code
 * @ExtendWith(ServicesExtension.class)
 * class HiveSmokeTest { ... }
 * }</pre>
 */
public final class ServicesExtension
    implements BeforeEachCallback, AfterEachCallback, ParameterResolver {

  private static final Namespace OWN = Namespace.create(ServicesExtension.class);
  private static final Pattern INVOCATION = Pattern.compile("#(\\d+)\\]$");

  /** Made by JUnit. */
  public ServicesExtension() {}

  @Override
  public void beforeEach(ExtensionContext context) {
    GuestRuns runs = context
        .getRoot()
        .getStore(OWN)
        .getOrComputeIfAbsent(
            GuestRuns.class,
            key -> new GuestRuns(context::getConfigurationParameter),
            GuestRuns.class);
    Method method = context.getRequiredTestMethod();
    Matcher invocation = INVOCATION.matcher(context.getUniqueId());
    Guest guest = runs.run()
        .begin(
            context.getRequiredTestClass(),
            method,
            invocation.find() ? invocation.group(1) : "",
            title(context, method));
    context.getStore(OWN).put(Guest.class, guest);
  }

  private static String title(ExtensionContext context, Method method) {
    String name = context.getDisplayName();
    return name.equals(method.getName() + "()") ? method.getName() : name;
  }

  @Override
  public void afterEach(ExtensionContext context) {
    Guest guest = context.getStore(OWN).remove(Guest.class, Guest.class);
    if (guest == null) {
      return;
    }
    Throwable thrown = context.getExecutionException().orElse(null);
    if (thrown instanceof TestAbortedException) {
      guest.skipped(String.valueOf(thrown.getMessage()));
      return;
    }
    List<String> news = guest.ended(thrown);
    if (!news.isEmpty()) {
      throw new AssertionFailedError(String.join("\n", news));
    }
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
    Executable owner = parameter.getDeclaringExecutable();
    return owner instanceof Method
        && context.getTestMethod().isPresent()
        && Set.of(Environment.class, Service.class, Fresh.class)
            .contains(parameter.getParameter().getType());
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
    Guest guest = context.getStore(OWN).get(Guest.class, Guest.class);
    if (guest == null) {
      throw new ParameterResolutionException("a service belongs to one test, which has not begun: "
          + "take it in the test method or in a @BeforeEach method");
    }
    Class<?> type = parameter.getParameter().getType();
    if (type == Fresh.class) {
      return guest.fresh();
    }
    Environment environment = guest.environment();
    return type == Environment.class
        ? environment
        : environment.service(parameter
            .findAnnotation(ServiceNamed.class)
            .map(ServiceNamed::value)
            .orElseGet(() -> only(environment)));
  }

  private static String only(Environment environment) {
    List<String> names = environment.services();
    if (names.size() == 1) {
      return names.get(0);
    }
    throw new ParameterResolutionException(
        "the environment '%s' has %s; say which one is meant with @ServiceNamed"
            .formatted(
                environment.name(),
                names.isEmpty() ? "no services" : "the services " + String.join(", ", names)));
  }
}
