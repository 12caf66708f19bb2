import { Matcher } from '$core/composition/match.ts';
import { REFERENCE_NAMES } from '$core/composition/names/index.ts';
import type { LineContext } from '$core/formula/said/read-line.ts';
import { referenceRows } from './read.ts';

/** Chosen on the shelf by who has a pack of it: what is said by hand is never taken for it. */
const NEVER_SAID = new Set(['flour-white-uk']);

/** What lines are read against where there is no shelf: the shipped rows, measured in US cups and spoons. */
export function referenceContext(): LineContext {
	const rows = referenceRows();
	const matcher = new Matcher(
		[...rows.values()]
			.filter(({ id }) => !NEVER_SAID.has(id))
			.map(({ id, name }) => ({ id, name, other: REFERENCE_NAMES[id] ?? { names: [] } }))
	);
	return {
		matcher,
		isName: (name, detail) => matcher.match(name, detail).state !== 'none',
		measuresOf: (id) => rows.get(id)?.measures ?? {},
		ownUnits: [],
		set: 'us'
	};
}
