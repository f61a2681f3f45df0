package org.oddlantern.internal.blind;

import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A value that a case was given.
 *
 * @param name what its code calls it
 * @param type the simple name of its type
 * @param tree how it looks on the wire
 */
public record GivenValue(String name, String type, JsonNode tree) {}
