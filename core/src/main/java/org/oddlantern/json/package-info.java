/** The JSON tree as it looks on the wire: mapping, paths, comparison, and the words for differences. */
@NullMarked
package org.oddlantern.json;

import org.jspecify.annotations.NullMarked;
