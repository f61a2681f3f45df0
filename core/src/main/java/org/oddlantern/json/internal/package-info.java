/** How paths are read and followed; nothing here is for users. */
@NullMarked
package org.oddlantern.json.internal;

import org.jspecify.annotations.NullMarked;
