package org.oddlantern.http;

/**
 * One part of a multipart body (RFC 7578).
 *
 * @param name the name of its field
 * @param fileName the file name it travels under; empty if it has none
 * @param contentType its media type; empty if it has none
 * @param content what is in it
 */
public record ContentPart(String name, String fileName, String contentType, Content content) {}
