import { recipeMade } from '$core/bench/batch.ts';
import type { Line, Recipe } from '$core/formula/types.ts';
import { readCount, readGrams, readGramsList, type Read } from '$core/measure/reading.ts';
import type { Batch, BatchLine } from './types.ts';

/** What was measured of a batch, as it is typed. */
export interface BatchDraft {
	id: string;
	version: number;
	madeOn: string;
	/** `09:30`; '' while nobody noted it. */
	beganAt: string;
	/** `11:15`; '' while nobody noted it. */
	usedUntil: string;
	/** Ids of the equipment it touches. */
	equipment: string[];
	ballWeight: string;
	ballCount: string;
	rejects: string;
	/** Counted apart from the balls; '' while nobody did. */
	sellable: string;
	packs: string;
	loose: string;
	/** '' leaves it to the rule's default. */
	servingPieces: string;
	note: string;
	/** Why a closed batch is corrected. */
	reason: string;
	doughWeight: string;
	leftover: string;
	ballWeights: string;
	finishedWeights: string;
	/** In the order of the batch's lines; `grams` of a surface material is what was used up. */
	lines: { id: string; grams: string; uptake: string }[];
}

const shown = (grams: number | null) => (grams === null ? '' : String(Math.round(grams * 1000) / 1000));

const shownCount = (count: number | null) => (count === null ? '' : String(count));

const lineDraft = (line: BatchLine): BatchDraft['lines'][number] => ({
	id: line.id,
	grams: shown(line.weighed_g),
	uptake: shown(line.weighedUptake_g)
});

/** The draft of a batch: what was weighed. A line that nobody weighed is empty, whatever was planned of it. */
export function batchDraft(batch: Batch): BatchDraft {
	return {
		id: batch.id,
		version: batch.version,
		madeOn: batch.madeOn,
		beganAt: batch.beganAt ?? '',
		usedUntil: batch.usedUntil ?? '',
		equipment: [...batch.equipment],
		ballWeight: shown(batch.ballWeight_g),
		ballCount: shownCount(batch.ballCount),
		rejects: String(batch.rejects),
		sellable: shownCount(batch.sellable),
		packs: shownCount(batch.packs),
		loose: shownCount(batch.loose),
		servingPieces: batch.servingPieces === null ? '' : String(batch.servingPieces),
		note: batch.note,
		reason: '',
		doughWeight: shown(batch.doughWeight_g),
		leftover: shown(batch.leftover_g),
		ballWeights: batch.ballWeights_g.join(' '),
		finishedWeights: batch.finishedWeights_g.join(' '),
		lines: batch.lines.map(lineDraft)
	};
}

/** A draft read for the live figures: the recipe it stands for, and what is wrong at each field. */
export interface BatchReading {
	recipe: Recipe | null;
	leftover_g: number | null;
	sellable: number | null;
	packs: number | null;
	loose: number | null;
	/** What was typed of each line; null where nothing was. */
	lines_g: (number | null)[];
	errors: Record<string, string>;
}

/**
 * Reads a batch draft as it is typed, over the recipe the batch was opened with. Of a line that nobody
 * weighed the planned grams stand in the live figures; they are no weighing. A closed batch needs every line.
 */
export function readBatchDraft(
	draft: BatchDraft,
	batch: Pick<Batch, 'recipe' | 'lines'>,
	isClosed = false
): BatchReading {
	const errors: Record<string, string> = {};
	function take<T>(path: string, text: string, read: (text: string) => Read<T>, optional: boolean): T | null {
		if (text.trim() === '') {
			if (!optional) {
				errors[path] = 'empty: weigh it, or type 0 if there was none';
			}
			return null;
		}
		const result = read(text);
		if (result.ok) return result.value;
		errors[path] = result.message;
		return null;
	}
	const lines_g: (number | null)[] = [];
	const lines = batch.lines.map((line, index): Line => {
		const typed = draft.lines[index];
		const { ingredient, use, stage } = line;
		const grams = take(`lines[${index}].grams`, typed?.grams ?? '', readGrams, !isClosed);
		lines_g.push(grams);
		const used_g = grams ?? line.planned_g;
		if (use === 'dough') return { ingredient, use, stage, used_g, uptake_g: null };
		const typed_g = take(`lines[${index}].uptake`, typed?.uptake ?? '', readGrams, true);
		const uptake_g = typed_g ?? (grams === null ? line.plannedUptake_g : null);
		if (typed_g !== null && typed_g > used_g) {
			errors[`lines[${index}].uptake`] = `more than the ${shown(used_g)} used up`;
		}
		return { ingredient, use, stage, used_g, uptake_g };
	});
	const doughWeight_g = take('doughWeight', draft.doughWeight, readGrams, true);
	const leftover_g = take('leftover', draft.leftover, readGrams, true);
	const ballWeight_g = take('ballWeight', draft.ballWeight, readGrams, false);
	const ballCount = take('ballCount', draft.ballCount, readCount, true);
	const rejects = take('rejects', draft.rejects, readCount, false);
	const ballWeights_g = take('ballWeights', draft.ballWeights, readGramsList, true) ?? [];
	const counts = {
		sellable: take('sellable', draft.sellable, readCount, true),
		packs: take('packs', draft.packs, readCount, true),
		loose: take('loose', draft.loose, readCount, true)
	};
	const finishedWeights_g = take('finishedWeights', draft.finishedWeights, readGramsList, true) ?? [];
	const apart = { leftover_g, ...counts, lines_g, errors };
	if (
		Object.keys(errors).length > 0 ||
		!ballWeight_g ||
		rejects === null ||
		ballCount === 0 ||
		doughWeight_g === 0
	)
		return { recipe: null, ...apart };
	const servingPieces = draft.servingPieces ? Number(draft.servingPieces) : null;
	const planned = { ...batch.recipe, product: { ...batch.recipe.product, ballWeight_g, servingPieces } };
	const measured = {
		doughWeight_g,
		leftover_g,
		ballWeights_g,
		finishedWeights_g,
		ballCount,
		rejects,
		...counts
	};
	return { recipe: recipeMade(planned, lines, measured), ...apart };
}

/** Fields of the form for the core's places, so that a problem is shown where it can be mended. */
export const BATCH_FIELD: Record<string, string> = {
	'batch.doughWeight_g': 'doughWeight',
	'batch.ballWeights_g': 'ballWeights',
	'batch.finishedWeights_g': 'finishedWeights',
	'batch.rejects': 'rejects',
	'batch.servingPieces': 'servingPieces',
	'piece.ballWeight_g': 'ballWeight',
	'piece.count': 'ballCount',
	'formula.lines': 'lines'
};
