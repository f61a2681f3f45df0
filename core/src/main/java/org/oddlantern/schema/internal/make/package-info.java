/** Values made from schemas: good ones, and ones that are wrong at one place. */
@NullMarked
package org.oddlantern.schema.internal.make;

import org.jspecify.annotations.NullMarked;
