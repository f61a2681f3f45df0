/** A description of an API (OpenAPI 3.0 and 3.1) as a document: its operations, and what they say. */
@NullMarked
package org.oddlantern.internal.description;

import org.jspecify.annotations.NullMarked;
