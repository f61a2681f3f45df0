package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Marks a method that puts back what a case or a supply made, after the last case that uses it,
 * whatever its outcome. It takes the value as its first parameter; others may be an
 * {@code Environment}, {@code Fresh} and shared supplies. It is looked for from the class of the maker,
 * like a maker. It runs once for each value, but not for one that a case has used up and passed.
 *
 * <p>It may take 10 s. A reply with status 404 or 410 counts as gone. If it fails, that is reported as
 * <em>left behind</em> and changes no outcome.
 *
 * <pre>{@code
 * @TidyUp
 * void remove(Keeper keeper) { beeyard.send(Call.delete("/keepers/{name}", keeper.name())); }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
public @interface TidyUp {}
