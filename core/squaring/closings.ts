import type { MixGap } from '../formula/types.ts';
import { residueLimit_g } from '../massflow/massflow.ts';
import { settled } from '../measure/round.ts';
import type { CountUnit, StockUse } from '../stock/use.ts';
import type { Stage } from './stages.ts';
import { ofReadings, ofSampledTotal, tolerance_g as toleranceOf_g } from './uncertainty.ts';

/** How a stage stands: it squares, it is off, or evidence is missing. */
export type Closing =
	| { stage: Stage; state: 'squares'; gap: number; tolerance: number; unit: CountUnit }
	| { stage: Stage; state: 'off'; gap: number; tolerance: number; unit: CountUnit; message: string }
	| { stage: Stage; state: 'open'; missing: string };

/** What was measured of a batch, as far as it was; grams. */
export interface ClosingFigures {
	doughMass_g: number;
	mixGap: MixGap;
	/** Lines of the mix, each weighed once. */
	doughLines: number;
	/** Lines of the mix that were not weighed yet; left out, every one was. */
	unweighedLines?: number;
	/** Null while the dough was not weighed. */
	doughWeight_g: number | null;
	ballCount: number | null;
	ballWeights_g: number[];
	/** Dough left after dividing; null while it was not weighed. */
	leftover_g: number | null;
	finishedWeights_g: number[];
	cookLoss: number | null;
	finishedMoisture: number | null;
	rejects: number;
	/** Pieces counted as sellable; null while nobody counted them apart from the balls. */
	sellable: number | null;
	/** Packs closed and pieces left loose; null while they were not counted. */
	packs: number | null;
	loose: number | null;
	packPieces: number;
	scaleDivision_g: number;
	/** What lots are kept of and the batch uses; left out or empty where no lots are kept. */
	stock?: readonly StockUse[];
}

const unit = 'g';
const g = (value: number) => `${Math.round(Math.abs(value))} g`;

/**
 * Whether each stage is accounted for (computation, section 13). A tolerance is the standard uncertainty of the weights
 * compared times Student's t.
 */
export function closings(figures: ClosingFigures): Closing[] {
	return [
		mix(figures),
		divide(figures),
		cook(figures),
		count(figures),
		pack(figures),
		...stock(figures.stock ?? [], figures.scaleDivision_g)
	];
}

function mix(figures: ClosingFigures): Closing {
	const stage = 'mix';
	const { unweighedLines = 0 } = figures;
	if (unweighedLines > 0)
		return {
			stage,
			state: 'open',
			missing: `${unweighedLines} ${unweighedLines === 1 ? 'line' : 'lines'} not weighed`
		};
	if (figures.doughWeight_g === null) return { stage, state: 'open', missing: 'dough not weighed' };
	const gap_g = settled(figures.doughMass_g - figures.doughWeight_g);
	const tolerance_g = toleranceOf_g(ofReadings(figures.scaleDivision_g, figures.doughLines + 1));
	if (gap_g < -tolerance_g)
		return {
			stage,
			state: 'off',
			gap: gap_g,
			tolerance: tolerance_g,
			unit,
			message: `${g(gap_g)} more dough than was weighed in`
		};
	if (figures.mixGap === 'residue' && gap_g > residueLimit_g(figures.doughMass_g) + tolerance_g)
		return {
			stage,
			state: 'off',
			gap: gap_g,
			tolerance: tolerance_g,
			unit,
			message: `${g(gap_g)} weighed in did not reach the dough`
		};
	return { stage, state: 'squares', gap: gap_g, tolerance: tolerance_g, unit };
}

function divide(figures: ClosingFigures): Closing {
	const stage = 'divide';
	const { doughWeight_g, ballCount, ballWeights_g, leftover_g } = figures;
	if (doughWeight_g === null) return { stage, state: 'open', missing: 'dough not weighed' };
	if (ballCount === null) return { stage, state: 'open', missing: 'balls not counted' };
	if (ballWeights_g.length === 0) return { stage, state: 'open', missing: 'no ball weighed' };
	if (leftover_g === null) return { stage, state: 'open', missing: 'leftover not weighed' };
	const balls = ofSampledTotal(ballWeights_g, ballCount, figures.scaleDivision_g);
	if (balls === null) return { stage, state: 'open', missing: 'weigh a second ball' };
	const mean = ballWeights_g.reduce((sum, weight) => sum + weight, 0) / ballWeights_g.length;
	const gap_g = settled(doughWeight_g - ballCount * mean - leftover_g);
	const tolerance_g = toleranceOf_g(...balls, ofReadings(figures.scaleDivision_g, 2));
	if (Math.abs(gap_g) <= tolerance_g)
		return { stage, state: 'squares', gap: gap_g, tolerance: tolerance_g, unit };
	return {
		stage,
		state: 'off',
		gap: gap_g,
		tolerance: tolerance_g,
		unit,
		message: gap_g > 0 ? `${g(gap_g)} of dough not among the balls` : `${g(gap_g)} more balls than dough`
	};
}

function cook(figures: ClosingFigures): Closing {
	const stage = 'cook';
	if (figures.cookLoss === null) return { stage, state: 'open', missing: 'no finished piece weighed' };
	if (figures.finishedMoisture === null)
		return { stage, state: 'open', missing: 'an ingredient’s water is unknown' };
	if (settled(figures.cookLoss) < 0)
		return {
			stage,
			state: 'off',
			gap: 0,
			tolerance: 0,
			unit,
			message: 'the pieces weigh more than went on the plate'
		};
	return { stage, state: 'squares', gap: 0, tolerance: 0, unit };
}

/** Balls made against sellable pieces and rejects: exactly none may be missing. */
function count({ ballCount, sellable, rejects }: ClosingFigures): Closing {
	const stage = 'count';
	if (ballCount === null) return { stage, state: 'open', missing: 'balls not counted' };
	if (sellable === null) return { stage, state: 'open', missing: 'sellable pieces not counted' };
	const gap = ballCount - sellable - rejects;
	return exact(
		stage,
		gap,
		gap > 0
			? `${pieces(gap)} made and neither sellable nor rejected`
			: `${pieces(-gap)} more than balls were made`
	);
}

/** Sellable pieces against packs and loose ones: exactly none may be missing. */
function pack({ sellable, packs, loose, packPieces }: ClosingFigures): Closing {
	const stage = 'pack';
	if (sellable === null) return { stage, state: 'open', missing: 'sellable pieces not counted' };
	if (packs === null) return { stage, state: 'open', missing: 'packs not counted' };
	if (loose === null) return { stage, state: 'open', missing: 'loose pieces not counted' };
	const gap = sellable - packs * packPieces - loose;
	return exact(
		stage,
		gap,
		gap > 0
			? `${pieces(gap)} sellable and in no pack`
			: `${pieces(-gap)} more in packs and loose than are sellable`
	);
}

/**
 * Lots drawn against consumption, each thing by itself: what came from no lot of one is never made good by what too
 * much was drawn of another. Nothing to close where no lots are kept.
 */
function stock(uses: readonly StockUse[], scaleDivision_g: number): Closing[] {
	const stage = 'stock';
	if (uses.length === 0) return [];
	if (uses.every((use) => use.consumed === 0))
		return [{ stage, state: 'open', missing: 'nothing drawn yet' }];
	const weighed_g = toleranceOf_g(ofReadings(scaleDivision_g, 1));
	const gaps = uses.map((use) => ({ ...use, gap: settled(use.consumed - use.drawn) }));
	const off = gaps.filter(({ gap, unit: of }) => Math.abs(gap) > (of === unit ? weighed_g : 0));
	const widest = (of: typeof gaps) => of.reduce((a, b) => (Math.abs(b.gap) > Math.abs(a.gap) ? b : a));
	const weighed = gaps.filter((use) => use.unit === unit);
	if (off.length === 0) {
		const gap = weighed.length === 0 ? 0 : widest(weighed).gap;
		return [{ stage, state: 'squares', gap, tolerance: weighed_g, unit }];
	}
	const offGrams = off.filter((use) => use.unit === unit);
	const most = widest(offGrams.length > 0 ? offGrams : off);
	const others = off.length - 1;
	const amount = most.unit === unit ? g(most.gap) : String(Math.abs(most.gap));
	const what = most.gap > 0 ? 'came from no lot' : 'more was drawn from lots than went in';
	const message = `${amount} of ${most.name} ${what}${others > 0 ? `, and ${others} more` : ''}`;
	const tolerance = most.unit === unit ? weighed_g : 0;
	return [{ stage, state: 'off', gap: most.gap, tolerance, unit: most.unit, message }];
}

function exact(stage: Stage, gap: number, message: string): Closing {
	const counted = { stage, gap, tolerance: 0, unit: 'pieces' } as const;
	return gap === 0 ? { ...counted, state: 'squares' } : { ...counted, state: 'off', message };
}

const pieces = (count: number): string => (count === 1 ? 'one piece' : `${count} pieces`);
