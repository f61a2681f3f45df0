/** From classes to a plan: discovery, values, order. */
@NullMarked
package org.oddlantern.internal.plan;

import org.jspecify.annotations.NullMarked;
