/** Everything that is written of a run, in one folder. */
@NullMarked
package org.oddlantern.internal.reports.folder;

import org.jspecify.annotations.NullMarked;
