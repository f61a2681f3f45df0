/** The Fennel Hill beeyard: a small made-up service to try the library on. */
@NullMarked
package org.oddlantern.demo.beeyard;

import org.jspecify.annotations.NullMarked;
