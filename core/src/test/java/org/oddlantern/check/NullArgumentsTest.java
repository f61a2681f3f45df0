package org.oddlantern.check;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.lang.reflect.Array;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.lang.reflect.Parameter;
import java.math.BigDecimal;
import java.net.URI;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.oddlantern.database.Database;
import org.oddlantern.evidence.Check;
import org.oddlantern.http.Call;
import org.oddlantern.http.Credentials;
import org.oddlantern.http.GraphQl;
import org.oddlantern.http.NextPage;
import org.oddlantern.http.Part;
import org.oddlantern.http.Service;
import org.oddlantern.json.Secret;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.payload.Payload;
import org.oddlantern.schema.Schema;
import org.oddlantern.shaded.tools.jackson.databind.json.JsonMapper;
import org.oddlantern.xml.Xml;

/** What must not be null says so: every public method that suites call, each parameter in turn. */
class NullArgumentsTest {

  private static final Map<Class<?>, Object> GIVEN = Map.ofEntries(
      Map.entry(String.class, "$"),
      Map.entry(Object.class, "a"),
      Map.entry(Number.class, 1),
      Map.entry(Temporal.class, LocalDate.EPOCH),
      Map.entry(Duration.class, Duration.ofSeconds(1)),
      Map.entry(Class.class, String.class),
      Map.entry(Map.class, Map.of()),
      Map.entry(Check.class, Checks.status(200)),
      Map.entry(Secret.class, Secret.of("lavender")),
      Map.entry(Credentials.class, Credentials.bearer(Secret.of("lavender"))),
      Map.entry(Function.class, Function.identity()),
      Map.entry(UnaryOperator.class, UnaryOperator.identity()),
      Map.entry(Predicate.class, (Predicate<Object>) any -> true),
      Map.entry(Call.class, Call.get("/a")),
      Map.entry(Path.class, Path.of("a")),
      Map.entry(byte[].class, new byte[0]),
      Map.entry(JsonMapper.class, JsonMapper.shared()),
      Map.entry(NextPage.class, NextPage.byLink()),
      Map.entry(URI.class, URI.create("http://127.0.0.1/")),
      Map.entry(BigDecimal.class, BigDecimal.ONE));

  /** What is asked; the answer of a database is evidence like a reply. */
  private static final List<Object> ASKED = List.of(
      Service.reachedAt("http://127.0.0.1:1"),
      Call.get("/a"),
      Checks.fields(),
      Checks.items(1),
      Checks.eachItem(1),
      Checks.atEach("$", 1),
      Payload.json("{}"),
      GraphQl.text("{ hive }"),
      Database.reachedAt("jdbc:h2:mem:"),
      Database.reachedAt("jdbc:h2:mem:").count("select 1"),
      Xml.parse("<a/>"));

  private static final List<Class<?>> FACTORIES = List.of(
      Checks.class,
      Call.class,
      Service.class,
      Credentials.class,
      Part.class,
      GraphQl.class,
      Database.class,
      Xml.class,
      Payload.class,
      Schema.class,
      Secret.class,
      TreePath.class,
      NextPage.class);

  @Test
  void whatMustNotBeNullSaysSo() {
    List<String> silent = new ArrayList<>();
    int tried = 0;
    for (Class<?> type : FACTORIES) {
      for (Method method : type.getMethods()) {
        if (Modifier.isStatic(method.getModifiers())) {
          tried += tried(null, method, silent);
        }
      }
    }
    for (Object asked : ASKED) {
      for (Method method : asked.getClass().getMethods()) {
        boolean ours = method.getDeclaringClass().getName().startsWith("org.oddlantern")
            && !Modifier.isStatic(method.getModifiers())
            && Modifier.isPublic(method.getDeclaringClass().getModifiers());
        tried += ours ? tried(asked, method, silent) : 0;
      }
    }
    int all = tried;
    assertTrue(all > 150, () -> "tried " + all);
    assertEquals("", String.join("\n", silent));
  }

  private static int tried(@Nullable Object asked, Method method, List<String> silent) {
    int tried = 0;
    if (Set.of(
            "equals",
            "hashCode",
            "toString",
            "boundTo",
            "differences",
            "examine",
            "change",
            "lookedAt")
        .contains(method.getName())) {
      return 0;
    }
    for (int i = 0; i < method.getParameterCount(); i++) {
      if (mayBeNull(method, i)) {
        continue;
      }
      tried++;
      String told = told(asked, method, i);
      if (!told.matches("(?s).*\\bnull\\b.*") || told.contains("because \"")) {
        silent.add(method + ", parameter " + (i + 1) + ": " + told);
      }
    }
    return tried;
  }

  private static boolean mayBeNull(Method method, int parameter) {
    Parameter one = method.getParameters()[parameter];
    return one.getType().isPrimitive()
        || one.getAnnotatedType().isAnnotationPresent(Nullable.class)
        || method.isVarArgs()
            && parameter == method.getParameterCount() - 1
            && Arrays.stream(one.getAnnotatedType().getAnnotations()).findAny().isEmpty()
            && one.getType().getComponentType() == Object.class;
  }

  private static String told(@Nullable Object asked, Method method, int absent) {
    Object[] arguments = new Object[method.getParameterCount()];
    for (int i = 0; i < arguments.length; i++) {
      arguments[i] = i == absent ? null : given(method.getParameterTypes()[i]);
    }
    try {
      method.invoke(asked, arguments);
      return "nothing was thrown";
    } catch (InvocationTargetException e) {
      return e.getCause() instanceof NullPointerException
              || e.getCause() instanceof IllegalArgumentException
          ? String.valueOf(e.getCause().getMessage())
          : String.valueOf(e.getCause());
    } catch (IllegalAccessException e) {
      return "null: not for suites";
    }
  }

  private static Object given(Class<?> type) {
    if (type.isPrimitive()) {
      return Array.get(Array.newInstance(type, 1), 0);
    }
    if (type.isArray() && type != byte[].class) {
      return Array.newInstance(type.getComponentType(), 0);
    }
    Object known = GIVEN.get(type);
    return known == null ? Mockito.mock(type) : known;
  }
}
