/** What the library's packages share and users never name: the case at work and the files it may read. */
@NullMarked
package org.oddlantern.internal;

import org.jspecify.annotations.NullMarked;
