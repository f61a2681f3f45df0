/** What JSON Schema says of texts: patterns as ECMA-262 means them, and the formats. */
@NullMarked
package org.oddlantern.schema.internal.text;

import org.jspecify.annotations.NullMarked;
