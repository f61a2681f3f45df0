package org.oddlantern.internal.description;

import java.net.URISyntaxException;
import java.util.LinkedHashSet;
import java.util.Set;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.schema.internal.Document;
import org.oddlantern.schema.internal.Pointers;
import org.oddlantern.schema.internal.SharedReading;
import org.oddlantern.schema.internal.Uris;

/**
 * Follows references between the objects of a description (OpenAPI 3.1, Reference Object).
 *
 * @param schemas knows the documents
 */
record References(SharedReading schemas) {

  /** What stands in the stead of a reference, after as many as there are; the object itself if it is none. */
  Part followed(Part start) {
    Part part = start;
    Set<String> passed = new LinkedHashSet<>();
    while (part.has("$ref")) {
      if (!passed.add(part.place())) {
        throw start.problem("its references run in a circle: " + String.join(" -> ", passed)
            + " -> " + part.place());
      }
      part = next(part, part.text("$ref"));
    }
    return part.object();
  }

  /** What one reference leads to. */
  Part next(Part from, String reference) {
    String place = from.place() + "/$ref";
    try {
      String file = Uris.withoutFragment(reference);
      Document document = file.isEmpty()
          ? from.document()
          : schemas.document(from.document(), Uris.resolve(from.document().uri(), file));
      return inside(document, Uris.fragment(reference), place);
    } catch (DescriptionProblem e) {
      throw e;
    } catch (URISyntaxException | IllegalArgumentException e) {
      throw e instanceof SchemaProblem problem
          ? new DescriptionProblem(place, problem.reason())
          : new DescriptionProblem(place, "'" + reference + "' is no address: " + e.getMessage());
    }
  }

  private static Part inside(Document document, String pointer, String place) {
    if (!pointer.isEmpty() && !pointer.startsWith("/")) {
      throw new DescriptionProblem(
          place, "after # a JSON Pointer is wanted, which begins with a slash");
    }
    Part part = new Part(document, "", document.root());
    for (String step : Pointers.steps(pointer)) {
      Part next = step(part, step);
      if (next.node().isMissingNode()) {
        Part last = part;
        throw new DescriptionProblem(
            place,
            document.name() + "#" + pointer + " is not there: " + last.place() + " has no '" + step
                + "'"
                + NearestMatch.among(step, last.node().propertyNames())
                    .map(near -> "; did you mean '" + near + "'?")
                    .orElse(""));
      }
      part = next;
    }
    return part;
  }

  private static Part step(Part part, String step) {
    boolean index = part.node().isArray() && step.matches("0|[1-9]\\d{0,8}");
    return index
        ? new Part(
            part.document(), part.pointer() + "/" + step, part.node().path(Integer.parseInt(step)))
        : part.at(step);
  }
}
