/** Lets whatever runs tests on the JUnit Platform find, run and show suites. */
@NullMarked
package org.oddlantern.junit.engine;

import org.jspecify.annotations.NullMarked;
