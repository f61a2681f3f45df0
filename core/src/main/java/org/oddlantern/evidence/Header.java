package org.oddlantern.evidence;

import com.fasterxml.jackson.annotation.JsonFormat;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;

/**
 * One header field; in JSON an array of name and value.
 *
 * @param name its name, as it was written or came
 * @param value its value, as it was written or came
 */
@JsonFormat(shape = JsonFormat.Shape.ARRAY)
@JsonPropertyOrder({"name", "value"})
public record Header(String name, String value) {}
