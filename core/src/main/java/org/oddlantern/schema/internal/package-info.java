/** How a JSON Schema is read into a tree of small rules, and how they judge a value. */
@NullMarked
package org.oddlantern.schema.internal;

import org.jspecify.annotations.NullMarked;
