package org.oddlantern.schema.internal;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/**
 * A schema with an address of its own: the root of a document, or a subschema with an identifier. It is
 * filled while its document is read and never changed afterwards.
 */
final class Resource {

  private final Document document;
  private final String uri;
  private final String pointer;
  private final Dialect dialect;
  private final Map<String, String> anchors = new HashMap<>();
  private final Set<String> dynamicAnchors = new TreeSet<>();
  private final Map<String, RuleLink> dynamicRules = new ConcurrentHashMap<>();

  Resource(Document document, String uri, String pointer, Dialect dialect) {
    this.document = document;
    this.uri = uri;
    this.pointer = pointer;
    this.dialect = dialect;
  }

  Document document() {
    return document;
  }

  String uri() {
    return uri;
  }

  /** Where it begins in its document. */
  String pointer() {
    return pointer;
  }

  Dialect dialect() {
    return dialect;
  }

  void anchor(String name, String place) {
    anchors.put(name, place);
  }

  void dynamicAnchor(String name, String place) {
    anchors.put(name, place);
    dynamicAnchors.add(name);
  }

  Map<String, String> anchors() {
    return anchors;
  }

  /** The anchors that outer resources may give another meaning; an empty name is 2019-09's. */
  Set<String> dynamicAnchors() {
    return dynamicAnchors;
  }

  void dynamic(String anchor, RuleLink rule) {
    dynamicRules.put(anchor, rule);
  }

  @Nullable
  Rule dynamic(String anchor) {
    RuleLink link = dynamicRules.get(anchor);
    return link == null ? null : link.rule();
  }
}
