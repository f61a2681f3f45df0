/** How calls travel and who hears of them. */
@NullMarked
package org.oddlantern.http.internal;

import org.jspecify.annotations.NullMarked;
