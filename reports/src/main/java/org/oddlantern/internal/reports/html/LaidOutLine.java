package org.oddlantern.internal.reports.html;

/**
 * A line of a body that was laid out.
 *
 * @param where the place of the value or element that begins on it; empty for what only closes
 * @param text the line, indented
 * @param opens whether what follows is inside it
 * @param closes whether it ends what was opened
 */
record LaidOutLine(String where, String text, boolean opens, boolean closes) {}
