import type { BatchDraft } from '$lib/batch/draft.ts';
import type { Batch } from '$lib/batch/types.ts';

/** What two drafts of a batch say differently, in words. */
export function batchDifferences(
	yours: BatchDraft,
	theirs: BatchDraft,
	batch: Pick<Batch, 'lines'>,
	nameOf: (equipment: string) => string
) {
	const flat = (draft: BatchDraft): Record<string, string> => ({
		...Object.fromEntries(
			draft.lines.map((line, index) => [
				`${batch.lines[index]?.name ?? 'line'} (line ${index + 1})`,
				`${line.grams} g${line.uptake ? `, ${line.uptake} g stayed` : ''}`
			])
		),
		'dough weight': draft.doughWeight,
		'planned ball': draft.ballWeight,
		'balls made': draft.ballCount,
		'dough left over': draft.leftover,
		'balls on the scale': draft.ballWeights,
		'finished pieces': draft.finishedWeights,
		rejects: draft.rejects,
		'sellable pieces': draft.sellable,
		packs: draft.packs,
		'loose pieces': draft.loose,
		'made on': draft.madeOn,
		'begun at': draft.beganAt,
		'equipment free at': draft.usedUntil,
		equipment: draft.equipment.map(nameOf).join(', '),
		note: draft.note,
		'reason of the correction': draft.reason
	});
	const [mine, other] = [flat(yours), flat(theirs)];
	return Object.keys(mine)
		.filter((key) => mine[key] !== other[key])
		.map((what) => ({ what, yours: mine[what] ?? '', theirs: other[what] ?? '' }));
}
