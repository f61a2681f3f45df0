/** How values become trees, trees are compared, and what differs is told. */
@NullMarked
package org.oddlantern.json.internal;

import org.jspecify.annotations.NullMarked;
