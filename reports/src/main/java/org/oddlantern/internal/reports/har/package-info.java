/** Exchanges in the HTTP Archive format, for the developer tools of browsers. */
@NullMarked
package org.oddlantern.internal.reports.har;

import org.jspecify.annotations.NullMarked;
