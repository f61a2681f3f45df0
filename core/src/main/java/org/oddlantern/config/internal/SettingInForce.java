package org.oddlantern.config.internal;

/**
 * A setting that is in force.
 *
 * @param key its key: {@code services.beeyard.url}
 * @param value its value, {@code ***} if it is a secret
 * @param origin where it comes from
 */
public record SettingInForce(String key, String value, String origin) {}
