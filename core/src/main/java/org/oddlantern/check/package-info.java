/** The questions put to evidence, and the shapes a value may have. */
@NullMarked
package org.oddlantern.check;

import org.jspecify.annotations.NullMarked;
