/** The service under test as a process of its own: started, watched, restarted, ended. */
@NullMarked
package org.oddlantern.program;

import org.jspecify.annotations.NullMarked;
