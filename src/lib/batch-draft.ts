import type { Recipe } from '$core/formula/types.ts';
import { readCount, readGrams, readGramsList, type Read } from '$core/measure/reading.ts';
import { measuredRecipe, type MeasuredLine } from './measured-recipe.ts';
import type { Batch, BatchLine } from './server/batches/types.ts';

/** What was measured of a batch, as it is typed. */
export interface BatchDraft {
	id: string;
	version: number;
	madeOn: string;
	/** `09:30`; '' while nobody noted it. */
	beganAt: string;
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

function lineDraft(line: BatchLine, recorded: boolean): BatchDraft['lines'][number] {
	const planned = recorded ? null : line.plannedUptake_g;
	return {
		id: line.id,
		grams: shown(line.weighed_g ?? (line.toWeigh ? null : line.planned_g)),
		uptake: shown(line.weighedUptake_g ?? planned)
	};
}

/** The draft of a batch: what was weighed, or the plan to be corrected by weighing. */
export function batchDraft(batch: Batch): BatchDraft {
	return {
		id: batch.id,
		version: batch.version,
		madeOn: batch.madeOn,
		beganAt: batch.beganAt ?? '',
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
		lines: batch.lines.map((line) => lineDraft(line, batch.recorded))
	};
}

/** A draft read for the live figures: the recipe it stands for, and what is wrong at each field. */
export interface BatchReading {
	recipe: Recipe | null;
	leftover_g: number | null;
	sellable: number | null;
	packs: number | null;
	loose: number | null;
	errors: Record<string, string>;
}

/** Reads a batch draft as it is typed, over the recipe the batch was opened with. */
export function readBatchDraft(draft: BatchDraft, batch: Pick<Batch, 'recipe' | 'lines'>): BatchReading {
	const errors: Record<string, string> = {};
	let sound = true;
	function take<T>(path: string, text: string, read: (text: string) => Read<T>, optional: boolean): T | null {
		if (text.trim() === '') {
			if (!optional) {
				errors[path] = 'empty: weigh it, or type 0 if there was none';
				sound = false;
			}
			return null;
		}
		const result = read(text);
		if (result.ok) return result.value;
		errors[path] = result.message;
		sound = false;
		return null;
	}
	const lines = batch.lines.map((line, index): MeasuredLine => {
		const typed = draft.lines[index];
		const { ingredient, use, stage } = line;
		const grams = take(`lines[${index}].grams`, typed?.grams ?? '', readGrams, false) ?? 0;
		if (use === 'dough') return { ingredient, use, stage, grams, uptake_g: null };
		const uptake_g = take(`lines[${index}].uptake`, typed?.uptake ?? '', readGrams, true);
		if (uptake_g !== null && uptake_g > grams) {
			errors[`lines[${index}].uptake`] = `more than the ${typed?.grams.trim()} used up`;
			sound = false;
		}
		return { ingredient, use, stage, grams, uptake_g };
	});
	const doughWeight_g = take('doughWeight', draft.doughWeight, readGrams, true);
	const leftover_g = take('leftover', draft.leftover, readGrams, true);
	const ballWeight_g = take('ballWeight', draft.ballWeight, readGrams, false);
	const count = take('ballCount', draft.ballCount, readCount, true);
	const rejects = take('rejects', draft.rejects, readCount, false);
	const ballWeights_g = take('ballWeights', draft.ballWeights, readGramsList, true) ?? [];
	const counts = {
		sellable: take('sellable', draft.sellable, readCount, true),
		packs: take('packs', draft.packs, readCount, true),
		loose: take('loose', draft.loose, readCount, true)
	};
	const finishedWeights_g = take('finishedWeights', draft.finishedWeights, readGramsList, true) ?? [];
	if (!sound || !ballWeight_g || rejects === null || count === 0 || doughWeight_g === 0)
		return { recipe: null, leftover_g, ...counts, errors };
	return {
		errors,
		leftover_g,
		...counts,
		recipe: measuredRecipe(batch.recipe, {
			lines,
			ballWeight_g,
			ballCount: count,
			rejects,
			servingPieces: draft.servingPieces ? Number(draft.servingPieces) : null,
			doughWeight_g,
			ballWeights_g,
			finishedWeights_g
		})
	};
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
