package org.oddlantern.check;

import java.util.List;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.JudgedEvidence;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A value inside a body, looked at by itself. */
final class ItemEvidence extends JudgedEvidence {

  private final Location where;
  private final JsonNode value;

  ItemEvidence(Location where, JsonNode value) {
    this.where = where;
    this.value = value;
  }

  @Override
  public String title() {
    return "the value at " + where;
  }

  @Override
  public String summary() {
    return Words.withKind(value);
  }

  @Override
  public String text() {
    return value.isString() ? value.stringValue() : JsonMapping.standard().write(value);
  }

  @Override
  public Json json() {
    return Json.of(value);
  }

  @Override
  protected void judged(List<Verdict> verdicts) {
    // the check on the list is what is recorded
  }

  @Override
  protected JsonMapping hearingMapping() {
    return JsonMapping.standard();
  }
}
