/** What the tests of several packages share. */
package org.oddlantern.testing;
