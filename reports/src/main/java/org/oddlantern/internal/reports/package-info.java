/** Reports of runs: functions of run events and journals. */
@NullMarked
package org.oddlantern.internal.reports;

import org.jspecify.annotations.NullMarked;
