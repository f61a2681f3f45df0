/** What checks are put to, the checks and their answers: what replies, rows and list items have in common. */
@NullMarked
package org.oddlantern.evidence;

import org.jspecify.annotations.NullMarked;
