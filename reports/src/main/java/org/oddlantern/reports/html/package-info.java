/** The report as a folder of pages. */
@NullMarked
package org.oddlantern.reports.html;

import org.jspecify.annotations.NullMarked;
