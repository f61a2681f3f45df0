package org.oddlantern.json.internal;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Shapes made of shapes. */
public final class CombinedShapes {

  private CombinedShapes() {}

  /** Every one of them. */
  public record All(List<NodeShape> parts) implements ComposedShape {

    /** Both; what is made of several already takes one more. */
    public static Shape of(NodeShape first, NodeShape second) {
      List<NodeShape> parts =
          new ArrayList<>(first instanceof All all ? all.parts : List.of(first));
      parts.add(second);
      return new All(List.copyOf(parts));
    }

    @Override
    public NodeShape by(JsonMapping mapping) {
      return new All(parts.stream().map(part -> part.by(mapping)).toList());
    }

    @Override
    public String words() {
      return parts.stream().map(Shape::words).collect(Collectors.joining(" and "));
    }

    @Override
    public boolean asksAboutLists() {
      return parts.stream().anyMatch(ComposedShape::asksAboutLists);
    }

    @Override
    public List<NodeShape> together() {
      return parts;
    }

    @Override
    public List<Finding> differences(Location where, JsonNode value) {
      Set<Finding> findings = new LinkedHashSet<>();
      parts.forEach(part -> findings.addAll(part.examine(where, value)));
      return List.copyOf(findings);
    }
  }

  /** One of them or more. */
  public record Any(List<NodeShape> parts) implements ComposedShape {

    /** Both; what is made of several already takes one more. */
    public static Shape of(NodeShape first, NodeShape second) {
      List<NodeShape> parts =
          new ArrayList<>(first instanceof Any any ? any.parts : List.of(first));
      parts.add(second);
      return new Any(List.copyOf(parts));
    }

    @Override
    public NodeShape by(JsonMapping mapping) {
      return new Any(parts.stream().map(part -> part.by(mapping)).toList());
    }

    @Override
    public String words() {
      return parts.stream().map(Shape::words).collect(Collectors.joining(" or "));
    }

    @Override
    public boolean asksAboutLists() {
      return parts.stream().anyMatch(ComposedShape::asksAboutLists);
    }

    @Override
    public List<Finding> examine(Location where, JsonNode value) {
      if (!value.isMissingNode()) {
        return differences(where, value);
      }
      return parts.stream().anyMatch(part -> part.examine(where, value).isEmpty())
          ? List.of()
          : List.of(Finding.nothing(where, words(), "there is no such value"));
    }

    @Override
    public List<Finding> differences(Location where, JsonNode value) {
      List<List<Finding>> answers = new ArrayList<>();
      for (NodeShape part : parts) {
        List<Finding> findings = part.examine(where, value);
        if (findings.isEmpty()) {
          return List.of();
        }
        answers.add(findings);
      }
      return List.of(Finding.of(where, words(), Words.withKind(value))
          .hint(nearest(where, answers))
          .hint(value.isString() ? otherCase(value.stringValue()) : ""));
    }

    private String otherCase(String text) {
      return parts.stream()
          .filter(part -> part instanceof WantedValue wanted
              && wanted.tree().isString()
              && wanted.tree().stringValue().equalsIgnoreCase(text))
          .findFirst()
          .map(part -> "only upper and lower case differ from " + part.words())
          .orElse("");
    }

    /** What keeps the nearest of them from holding, where that lies deeper than the value itself. */
    private static String nearest(Location where, List<List<Finding>> answers) {
      return answers.stream()
          .filter(findings -> !findings.get(0).where().equals(where.toString()))
          .min(Comparator.comparingInt(List::size))
          .map(findings -> "nearest: at " + findings.get(0).where() + " wanted "
              + findings.get(0).wanted() + ", got " + findings.get(0).got())
          .orElse("");
    }
  }
}
