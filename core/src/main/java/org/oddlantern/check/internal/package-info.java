/** How checks are told from shapes and values where either may be given. */
@NullMarked
package org.oddlantern.check.internal;

import org.jspecify.annotations.NullMarked;
