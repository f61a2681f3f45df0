/** The {@code odd-lantern} command. */
@NullMarked
package org.oddlantern.cli;

import org.jspecify.annotations.NullMarked;
