/** The report as CI servers read it. */
@NullMarked
package org.oddlantern.internal.reports.junitxml;

import org.jspecify.annotations.NullMarked;
