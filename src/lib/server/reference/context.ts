import { Matcher } from '$core/composition/match.ts';
import { REFERENCE_NAMES } from '$core/composition/names/index.ts';
import type { LineContext } from '$core/formula/read-line.ts';
import { referenceRows } from './read.ts';

/** What lines are read against where there is no shelf: the shipped rows, measured in US cups and spoons. */
export function referenceContext(): LineContext {
	const rows = referenceRows();
	return {
		matcher: new Matcher(
			[...rows.values()].map(({ id, name }) => ({ id, name, other: REFERENCE_NAMES[id] ?? { names: [] } }))
		),
		measuresOf: (id) => rows.get(id)?.measures ?? {},
		set: 'us'
	};
}
