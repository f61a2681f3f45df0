/** How checks are made on evidence and values read from it, and who hears of that. */
@NullMarked
package org.oddlantern.evidence.internal;

import org.jspecify.annotations.NullMarked;
