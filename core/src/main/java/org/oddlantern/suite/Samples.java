package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Marks a method that gives the data over which cases run. It is static, takes nothing and returns a
 * {@code List} or a {@code Stream} of a type of one's own, a record mostly. A case that takes that type,
 * or anything made of it, runs once for each sample, as a case of its own; {@code {kind}} in its title
 * stands for the component of that name. What such a case hands on goes from sample to sample; who takes
 * a {@code List} of it gets all.
 *
 * <p>A sample is known by its first component if that distinguishes all, else by its number: {@code
 * --case "HiveRefusalTest#refused[no label]"}. The method is called when the run is planned.
 *
 * <pre>{@code
 * record Refusal(String kind, int frames, int status) {}
 *
 * @Samples
 * static List<Refusal> refusals() { return SampleFile.read("samples/refusals.csv", Refusal.class); }
 *
 * @Case("a hive with {kind} is refused")
 * void refused(Refusal refusal) { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
public @interface Samples {}
