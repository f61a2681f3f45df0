/** Lets whatever runs tests on the JUnit Platform find, run and show suites. */
@NullMarked
package org.oddlantern.internal.junit;

import org.jspecify.annotations.NullMarked;
