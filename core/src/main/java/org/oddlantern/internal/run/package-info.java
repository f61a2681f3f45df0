/** Running a plan: schedule, lanes, attempts, values, what is put back; and telling what happened. */
@NullMarked
package org.oddlantern.internal.run;

import org.jspecify.annotations.NullMarked;
