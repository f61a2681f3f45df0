/** How paths are read and followed (RFC 9535). */
@NullMarked
package org.oddlantern.json.internal.path;

import org.jspecify.annotations.NullMarked;
