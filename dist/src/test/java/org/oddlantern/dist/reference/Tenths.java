package org.oddlantern.dist.reference;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;

/** A shape of one's own: for any value inside a body, and inside other shapes. */
public record Tenths() implements Shape {

  @Override
  public String words() {
    return "a number with one digit behind the point";
  }

  @Override
  public List<Finding> differences(Location where, Json value) {
    boolean fits = value.kind() == Json.Kind.NUMBER && value.number().scale() == 1;
    return fits ? List.of() : List.of(Finding.of(where, words(), value.toString()));
  }
}
