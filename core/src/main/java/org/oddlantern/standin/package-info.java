/**
 * What is not a reply: stand-ins for the services that the service under test calls, and whatever else was
 * looked at, as evidence.
 */
@NullMarked
package org.oddlantern.standin;

import org.jspecify.annotations.NullMarked;
