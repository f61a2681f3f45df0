/** The file of a run: one codec that writes and reads it, and how journals are joined. */
@NullMarked
package org.oddlantern.internal.journal;

import org.jspecify.annotations.NullMarked;
