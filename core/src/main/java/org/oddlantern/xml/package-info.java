/** XML documents: read safely, asked with XPath, compared as a whole. */
@NullMarked
package org.oddlantern.xml;

import org.jspecify.annotations.NullMarked;
