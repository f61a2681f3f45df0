package org.oddlantern.schema.internal;

import org.jspecify.annotations.Nullable;

/**
 * The schema resources a judgement has come through, the innermost first: the dynamic scope.
 *
 * @param resource the innermost
 * @param around the others; null if there is one only
 * @param outermost the one it came through first
 */
record Scope(Resource resource, @Nullable Scope around, Resource outermost) {}
