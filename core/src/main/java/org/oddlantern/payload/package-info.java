/** What a call carries: bodies under construction and values that are new at every run. */
@NullMarked
package org.oddlantern.payload;

import org.jspecify.annotations.NullMarked;
