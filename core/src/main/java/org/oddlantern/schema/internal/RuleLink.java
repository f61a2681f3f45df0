package org.oddlantern.schema.internal;

import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Leads to the rule at a place of a document: a reference may point at a schema that is still being read,
 * the one it stands in for instance. Followed once everything has been read.
 */
final class RuleLink {

  private final Map<String, Rule> rules;
  private final String pointer;
  private @Nullable Rule found;

  RuleLink(Site site) {
    this.rules = site.document().rules();
    this.pointer = site.pointer();
  }

  Rule rule() {
    Rule rule = found;
    if (rule == null) {
      rule = rules.get(pointer);
      if (rule == null) {
        throw new IllegalStateException("the schema at " + pointer + " has not been read");
      }
      found = rule;
    }
    return rule;
  }
}
