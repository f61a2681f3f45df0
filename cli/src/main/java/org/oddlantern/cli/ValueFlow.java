package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.Binding;
import org.oddlantern.internal.plan.BoundMethod;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.Maker;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.Planned;
import org.oddlantern.internal.plan.SupplyDefinition;
import org.oddlantern.internal.plan.ValueParameter;
import org.oddlantern.json.internal.Words;

/** Every value of a plan, with who makes, reads, changes, ends and puts it back. */
final class ValueFlow {

  private static final int WIDTH = 100;
  private static final String INDENT = " ".repeat(14);

  private final List<Planned> nodes;
  private final Map<String, Value> values = new LinkedHashMap<>();

  ValueFlow(Plan plan) {
    nodes = plan.nodes();
    nodes.forEach(node -> collect(node.bound()));
  }

  List<Value> values() {
    return List.copyOf(values.values());
  }

  /** Value by value, as text. */
  List<String> lines() {
    List<String> lines = new ArrayList<>();
    for (Value value : values.values()) {
      lines.add(
          (lines.isEmpty() ? "" : "\n") + value.type + ", made by " + value.maker + value.manner);
      add(lines, "read by", value.users(ValueParameter.Use.READS), ", ");
      add(lines, "changed by", value.users(ValueParameter.Use.CHANGES), ", then ");
      add(lines, "used up by", value.users(ValueParameter.Use.USES_UP), ", ");
      add(lines, "put back by", List.copyOf(value.putBack), ", ");
    }
    if (lines.isEmpty()) {
      lines.add("no case takes anything from another");
    }
    return lines;
  }

  /** A case or supply as people call it: class and method; a case over samples is one. */
  static String name(Maker maker) {
    return maker instanceof CaseDefinition one && !one.id().sample().isEmpty()
        ? one.id().brief().replace("[" + one.id().sample() + "]", "")
        : maker.name();
  }

  private static void add(List<String> lines, String words, List<String> names, String between) {
    if (!names.isEmpty()) {
      StringBuilder line = new StringBuilder("  %-11s ".formatted(words));
      for (int i = 0; i < names.size(); i++) {
        String name = names.get(i) + (i == names.size() - 1 ? "" : between.stripTrailing());
        if (line.length() + name.length() >= WIDTH && line.length() > INDENT.length()) {
          lines.add(line.toString());
          line = new StringBuilder(INDENT);
        }
        line.append(' ').append(name);
      }
      lines.add(line.toString());
    }
  }

  private void collect(BoundMethod bound) {
    bound.bindings().forEach((parameter, source) -> collect(bound.maker(), parameter, source));
    if (bound.tidyUp() != null) {
      bound
          .tidyUp()
          .bindings()
          .forEach((parameter, source) -> collect(bound.maker(), parameter, source));
    }
    if (bound.maker().handsOn() != null) {
      made(bound.maker(), bound.tidyUp());
    }
  }

  private void collect(Maker taker, ValueParameter parameter, Binding source) {
    if (source instanceof Binding.Handed handed) {
      use(nodes.get(handed.node()).bound(), taker, parameter);
    } else if (source instanceof Binding.OfAllSamples gathered) {
      gathered.nodes().forEach(node -> use(nodes.get(node).bound(), taker, parameter));
    } else if (source instanceof Binding.Supplied supplied) {
      use(supplied.bound(), taker, parameter);
      collect(supplied.bound());
    } else if (source instanceof Binding.OfSample sample) {
      made(sample.method(), null).users.add(new User(name(taker), parameter.use()));
    }
  }

  private void use(BoundMethod maker, Maker taker, ValueParameter parameter) {
    made(maker.maker(), maker.tidyUp()).users.add(new User(name(taker), parameter.use()));
  }

  private Value made(Maker maker, BoundMethod.@Nullable Cleanup tidyUp) {
    Value value = values.computeIfAbsent(
        name(maker),
        name -> new Value(
            maker.handsOn() == null ? "" : Words.of(maker.handsOn()), name, manner(maker)));
    if (tidyUp != null) {
      value.putBack.add(tidyUp.definition().name());
    }
    return value;
  }

  private static String manner(Maker maker) {
    if (maker instanceof SupplyDefinition supply) {
      return supply.shared() ? ", once for all" : ", one for each who takes it";
    }
    return maker instanceof CaseDefinition one && one.id().sample().isEmpty()
        ? ""
        : maker instanceof CaseDefinition ? ", one for each sample" : ", as samples";
  }

  /** A value: its type, who makes it and how, who uses it and what puts it back. */
  static final class Value {
    private final String type;
    private final String maker;
    private final String manner;
    private final Set<User> users = new LinkedHashSet<>();
    private final Set<String> putBack = new LinkedHashSet<>();

    Value(String type, String maker, String manner) {
      this.type = type;
      this.maker = maker;
      this.manner = manner;
    }

    String type() {
      return type;
    }

    String maker() {
      return maker;
    }

    Set<User> users() {
      return users;
    }

    List<String> users(ValueParameter.Use use) {
      return users.stream().filter(user -> user.use == use).map(User::name).toList();
    }
  }

  /** Who uses a value, and how. */
  record User(String name, ValueParameter.Use use) {}
}
