/** Benchmarks: pairs of whole processes that do the same work. */
@NullMarked
package org.oddlantern.bench;

import org.jspecify.annotations.NullMarked;
