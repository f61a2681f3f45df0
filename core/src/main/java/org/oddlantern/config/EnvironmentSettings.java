package org.oddlantern.config;

import java.util.Map;

/**
 * What the settings say of one environment.
 *
 * @param name its name
 * @param services its services by name, in the order of the file
 */
public record EnvironmentSettings(String name, Map<String, ServiceSettings> services) {}
