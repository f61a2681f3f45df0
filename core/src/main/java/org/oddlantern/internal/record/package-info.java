/** What happened in a run, as data: cases, exchanges, queries, problems, marks. */
@NullMarked
package org.oddlantern.internal.record;

import org.jspecify.annotations.NullMarked;
