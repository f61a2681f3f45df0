/** What people wrote down in plain words that the API promises, and which cases keep it. */
@NullMarked
package org.oddlantern.internal.promise;

import org.jspecify.annotations.NullMarked;
