package org.oddlantern.internal.reports.html;

/** How places in a body are written, and which place is around which. */
enum Places {

  /** JSONPath: {@code $.hives[2].label}. */
  JSON {
    @Override
    String laidOut(String place) {
      return place.startsWith("$") ? place : "";
    }

    @Override
    String around(String place) {
      int quoted = place.endsWith("']") ? place.lastIndexOf("['") : -1;
      int indexed = place.endsWith("]") ? place.lastIndexOf('[') : place.lastIndexOf('.');
      return place.substring(0, Math.max(0, quoted >= 0 ? quoted : indexed));
    }

    @Override
    String told(String inside) {
      return inside.startsWith(".") ? inside.substring(1) : inside;
    }
  },

  /** Where a node stands: {@code /hives/hive[2]/@id}; the first of its name may go without a number. */
  XML {
    @Override
    String laidOut(String place) {
      if (!place.startsWith("/") || place.startsWith("//") || place.equals("/")) {
        return "";
      }
      String elements = place.endsWith("/text()")
          ? place.substring(0, place.length() - "/text()".length())
          : place;
      return elements.replaceAll("(?<=[^\\]/])(?=/|$)", "[1]");
    }

    @Override
    String around(String place) {
      return place.substring(0, Math.max(0, place.lastIndexOf('/')));
    }

    @Override
    String told(String inside) {
      return inside.substring(1).replace("[1]", "");
    }
  };

  /** The place as a line of a body that was laid out has it; empty if it is nowhere in a body. */
  abstract String laidOut(String place);

  /** The place around a place; empty for the whole body. */
  abstract String around(String place);

  /** The rest of a way into the body, in words. */
  abstract String told(String inside);
}
