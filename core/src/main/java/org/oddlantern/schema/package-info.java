/** JSON Schema, drafts 4 to 2020-12: reading, checking, explaining, and sketching from samples. */
@NullMarked
package org.oddlantern.schema;

import org.jspecify.annotations.NullMarked;
