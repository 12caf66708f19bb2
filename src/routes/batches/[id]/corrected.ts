import type { Correction } from '$core/squaring/likelihood.ts';
import type { BatchDraft } from '$lib/batch/draft.ts';

const COUNTS = {
	balls: 'ballCount',
	rejects: 'rejects',
	sellable: 'sellable',
	packs: 'packs',
	loose: 'loose'
} as const;

/** Puts the figures of a draft right. */
export function corrected(draft: BatchDraft, corrections: readonly Correction[]): void {
	for (const correction of corrections) {
		if (correction.what === 'line') {
			const line = draft.lines.find((each) => each.id === correction.line);
			if (line) line.grams = shown(correction.grams);
		} else if ('grams' in correction)
			draft[correction.what === 'dough' ? 'doughWeight' : 'leftover'] = shown(correction.grams);
		else draft[COUNTS[correction.what]] = String(correction.count);
	}
}

const shown = (grams: number): string => String(Math.round(grams * 10) / 10);
