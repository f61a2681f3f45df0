package org.oddlantern.json.internal;

import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A value that a path leads to, and its place.
 *
 * @param where the place
 * @param value the value; a missing node if there is none
 */
public record FoundNode(Location where, JsonNode value) {}
