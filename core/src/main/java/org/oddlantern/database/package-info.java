/** What is behind a service: rows of a database, looked at with the same checks as replies. */
@NullMarked
package org.oddlantern.database;

import org.jspecify.annotations.NullMarked;
