package org.oddlantern.internal.description;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.schema.internal.Document;
import org.oddlantern.schema.internal.Pointers;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * An object somewhere in a description.
 *
 * @param document where
 * @param pointer the place in it, a JSON Pointer
 * @param node what is there
 */
record Part(Document document, String pointer, JsonNode node) {

  /** The place, as people read it. */
  String place() {
    return document.name() + "#" + pointer;
  }

  boolean has(String key) {
    return node.has(key);
  }

  /** A text; empty if it is not there. */
  String text(String key) {
    JsonNode value = node.path(key);
    if (value.isMissingNode()) {
      return "";
    }
    if (!value.isString()) {
      throw at(key).problem("wanted a text, got " + Words.withKind(value));
    }
    return value.stringValue();
  }

  /** A text that must be there. */
  String neededText(String key) {
    if (!node.has(key)) {
      throw missing(key);
    }
    return text(key);
  }

  boolean flag(String key, boolean otherwise) {
    JsonNode value = node.path(key);
    if (value.isMissingNode()) {
      return otherwise;
    }
    if (!value.isBoolean()) {
      throw at(key).problem("wanted true or false, got " + Words.withKind(value));
    }
    return value.booleanValue();
  }

  /** What is at a key, there or not. */
  Part at(String key) {
    return new Part(document, pointer + "/" + Pointers.escape(key), node.path(key));
  }

  /** The members of an object by their names; none if it is not there. Extensions are left out. */
  Map<String, Part> members(String key) {
    Part inside = at(key);
    Map<String, Part> members = new LinkedHashMap<>();
    if (!inside.node.isMissingNode()) {
      inside.object();
      for (String name : inside.node.propertyNames()) {
        if (!name.startsWith("x-")) {
          members.put(name, inside.at(name));
        }
      }
    }
    return members;
  }

  /** The items of a list; none if it is not there. */
  List<Part> items(String key) {
    Part list = at(key);
    List<Part> items = new ArrayList<>();
    if (list.node.isMissingNode()) {
      return items;
    }
    if (!list.node.isArray()) {
      throw list.problem("wanted a list, got " + Words.withKind(list.node));
    }
    for (int i = 0; i < list.node.size(); i++) {
      items.add(new Part(document, list.pointer + "/" + i, list.node.get(i)));
    }
    return items;
  }

  /** This, which must be an object. */
  Part object() {
    if (!node.isObject()) {
      throw problem("wanted an object, got " + Words.withKind(node));
    }
    return this;
  }

  /** This, whose fields are looked at for names that are mistyped: what they say would go unheard. */
  Part knowing(String... names) {
    List<String> absent = Arrays.stream(names).filter(name -> !node.has(name)).toList();
    List<String> known = List.of(names);
    for (String key : node.propertyNames()) {
      if (!known.contains(key) && !key.startsWith("x-")) {
        NearestMatch.among(key, absent).ifPresent(near -> {
          throw at(key).problem("no such field is known here; is '" + near + "' meant?");
        });
      }
    }
    return this;
  }

  DescriptionProblem missing(String key) {
    return problem("'" + key + "' is missing"
        + NearestMatch.among(key, node.propertyNames())
            .map(near -> "; is '" + near + "' meant to be it?")
            .orElse(""));
  }

  DescriptionProblem problem(String reason) {
    return new DescriptionProblem(place(), reason);
  }
}
