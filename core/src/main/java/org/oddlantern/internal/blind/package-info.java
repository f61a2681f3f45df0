/** What would go unnoticed: how an answer can be changed, and what it tells that a change was noticed or not. */
@NullMarked
package org.oddlantern.internal.blind;

import org.jspecify.annotations.NullMarked;
