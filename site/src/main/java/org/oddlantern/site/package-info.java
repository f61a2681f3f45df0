/** The documents as pages of a site, made from the same Markdown. */
@NullMarked
package org.oddlantern.site;

import org.jspecify.annotations.NullMarked;
