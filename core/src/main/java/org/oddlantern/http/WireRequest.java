package org.oddlantern.http;

import java.net.URI;

/**
 * A call as it is sent.
 *
 * @param method the method, case kept
 * @param uri where to, absolute
 * @param headers the headers set by call, service and library; what the connection adds is not in them
 * @param body the bytes; empty if there is no body
 */
public record WireRequest(String method, URI uri, Headers headers, byte[] body) {}
