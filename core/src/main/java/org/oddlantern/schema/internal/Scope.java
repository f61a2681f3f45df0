package org.oddlantern.schema.internal;

import org.jspecify.annotations.Nullable;

/** The schema resources a judgement has come through, the innermost first: the dynamic scope. */
record Scope(Resource resource, @Nullable Scope around) {}
