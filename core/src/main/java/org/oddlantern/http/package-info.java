/** Services, calls and replies. */
@NullMarked
package org.oddlantern.http;

import org.jspecify.annotations.NullMarked;
