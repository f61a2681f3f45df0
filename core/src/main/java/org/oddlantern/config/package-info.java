/** Settings and environments. */
@NullMarked
package org.oddlantern.config;

import org.jspecify.annotations.NullMarked;
