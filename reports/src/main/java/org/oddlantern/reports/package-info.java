/** Reports of runs: functions of run events and journals. */
@NullMarked
package org.oddlantern.reports;

import org.jspecify.annotations.NullMarked;
