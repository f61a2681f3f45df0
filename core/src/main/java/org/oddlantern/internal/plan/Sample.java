package org.oddlantern.internal.plan;

import java.lang.reflect.Method;
import java.util.Map;

/**
 * One of the data a case runs over.
 *
 * @param key what it is known by among the others
 * @param number its place among them, from 1
 * @param value the sample itself
 * @param getters how the components of its class are read, by their names
 */
public record Sample(String key, int number, Object value, Map<String, Method> getters) {}
