import type { Problem } from '$core/problem.ts';

/** What stands in a draft at a problem's path, `rows[2].price` or `lines.2.grams`, as text to compare; null for none. */
export function standsAt(draft: unknown, path: string): string | null {
	let at: unknown = draft;
	for (const step of path.split(/[.[\]]+/).filter((part) => part !== '')) {
		if (typeof at !== 'object' || at === null) return null;
		at = (at as Record<string, unknown>)[step];
	}
	return at === undefined ? null : JSON.stringify(at);
}

/** The problems whose field still stands as it was when they were told; those of no field of the draft stay. */
export function notMended(problems: readonly Problem[], told: unknown, now: unknown): readonly Problem[] {
	const left = problems.filter(({ path }) => path === '' || standsAt(told, path) === standsAt(now, path));
	return left.length === problems.length ? problems : left;
}
