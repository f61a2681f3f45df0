/** What the HTTP library says about connections, kept where a run was asked for it. */
@NullMarked
package org.oddlantern.internal.connections;

import org.jspecify.annotations.NullMarked;
