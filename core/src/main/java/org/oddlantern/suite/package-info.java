/** The marks a suite carries. */
@NullMarked
package org.oddlantern.suite;

import org.jspecify.annotations.NullMarked;
