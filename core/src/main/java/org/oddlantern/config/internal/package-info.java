/** The settings: read, overridden, and made into services and databases. */
@NullMarked
package org.oddlantern.config.internal;

import org.jspecify.annotations.NullMarked;
