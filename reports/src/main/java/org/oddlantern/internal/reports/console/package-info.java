/** What a run prints while it goes on. */
@NullMarked
package org.oddlantern.internal.reports.console;

import org.jspecify.annotations.NullMarked;
