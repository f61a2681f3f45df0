/** The report as a folder of pages. */
@NullMarked
package org.oddlantern.internal.reports.html;

import org.jspecify.annotations.NullMarked;
