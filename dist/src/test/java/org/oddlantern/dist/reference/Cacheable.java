package org.oddlantern.dist.reference;

import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.json.Finding;

/** A check of one's own: of a whole reply. */
public record Cacheable() implements Check {

  @Override
  public String words() {
    return "a reply that may be cached";
  }

  @Override
  public List<Finding> examine(Evidence reply) {
    return reply
            .headers()
            .first("Cache-Control")
            .filter(value -> !value.contains("no-store"))
            .isPresent()
        ? List.of()
        : List.of(Finding.of("header Cache-Control", words(), reply.summary()));
  }
}
