/*
 * Arithmetic on columns: each holds one number in each of `count` rounds. What is past a column's end counts as zero,
 * which never happens and costs nothing.
 */

/** One number in each round. */
export type Column = Float64Array;

/** into = 0. */
export function clear(into: Column, count: number): Column {
	return into.fill(0, 0, count);
}

/** into += a. */
export function add(into: Column, a: Column, count: number): void {
	for (let at = 0; at < count; at++) into[at] = (into[at] ?? 0) + (a[at] ?? 0);
}

/** into += a · b · factor. */
export function addProduct(into: Column, a: Column, b: Column, factor: number, count: number): void {
	for (let at = 0; at < count; at++) into[at] = (into[at] ?? 0) + (a[at] ?? 0) * (b[at] ?? 0) * factor;
}

/** into += a · factor. */
export function addTimes(into: Column, a: Column, factor: number, count: number): void {
	for (let at = 0; at < count; at++) into[at] = (into[at] ?? 0) + (a[at] ?? 0) * factor;
}

/** into = a · b. */
export function product(into: Column, a: Column, b: Column, count: number): Column {
	for (let at = 0; at < count; at++) into[at] = (a[at] ?? 0) * (b[at] ?? 0);
	return into;
}

/** into = a ÷ b. */
export function quotient(into: Column, a: Column, b: Column, count: number): Column {
	for (let at = 0; at < count; at++) into[at] = (a[at] ?? 0) / (b[at] ?? 1);
	return into;
}

/** into = a, never below `least`. */
export function atLeast(into: Column, a: Column, least: number, count: number): Column {
	for (let at = 0; at < count; at++) {
		const value = a[at] ?? 0;
		into[at] = value > least ? value : least;
	}
	return into;
}

/** into = a, never below zero nor above `most`. */
export function within(into: Column, a: Column, most: Column, count: number): Column {
	for (let at = 0; at < count; at++) {
		const value = a[at] ?? 0;
		const limit = most[at] ?? 0;
		const lower = value < limit ? value : limit;
		into[at] = lower > 0 ? lower : 0;
	}
	return into;
}
