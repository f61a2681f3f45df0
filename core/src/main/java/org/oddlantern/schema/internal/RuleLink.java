package org.oddlantern.schema.internal;

import org.jspecify.annotations.Nullable;

/**
 * Leads to the rule at a place of a document: a reference may point at a schema that is still being read,
 * the one it stands in for instance. It is tied once everything has been read.
 */
final class RuleLink {

  private final Site site;
  private @Nullable Rule rule;

  RuleLink(Site site) {
    this.site = site;
  }

  /** Looks for the rule, which has been read by now. */
  void tie() {
    rule = site.document().rules().get(site.pointer());
  }

  Rule rule() {
    Rule known = rule;
    if (known == null) {
      throw new IllegalStateException("the schema at " + site.where() + " has not been read");
    }
    return known;
  }
}
