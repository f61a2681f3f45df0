/** Exchanges held against the description of their API, and how much of it they covered. */
@NullMarked
package org.oddlantern.internal.described;

import org.jspecify.annotations.NullMarked;
