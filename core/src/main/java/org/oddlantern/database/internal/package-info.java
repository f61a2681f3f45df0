/** What was asked of a database, as it is recorded. */
@NullMarked
package org.oddlantern.database.internal;

import org.jspecify.annotations.NullMarked;
