/** Running a plan and telling what happened. */
@NullMarked
package org.oddlantern.run;

import org.jspecify.annotations.NullMarked;
