/** Secrets: learnt where they are used, hidden wherever they would appear. */
@NullMarked
package org.oddlantern.internal.mask;

import org.jspecify.annotations.NullMarked;
