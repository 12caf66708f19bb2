import { closings } from './closings.ts';
import { ranked, type Correction, type Explanation, type ExplainFigures } from './likelihood.ts';

interface Counted {
	words: string;
	corrections: Correction[];
	weight: number;
}

const some = (count: number) => (count === 1 ? 'one piece' : `${count} pieces`);
/** How much more a miscounted ball weighs where the dividing says the same. */
const DIVIDE_AGREES = 8;

/** What would explain a count that is off: rejects not noted, balls or sellable pieces miscounted. */
export function explainCount(gap: number, figures: ExplainFigures): Explanation[] {
	const { ballCount, sellable, rejects } = figures;
	if (ballCount === null || sellable === null) return [];
	const divided = closings({ ...figures, ballCount: ballCount - gap })[1];
	const [before] = [closings(figures)[1]];
	const agrees = before?.state === 'off' && divided?.state === 'squares';
	const disagrees = before?.state === 'squares' && divided?.state === 'off';
	const candidates: Counted[] = [];
	if (ballCount - gap > 0)
		candidates.push({
			words: `the balls were miscounted: ${ballCount - gap}, not ${ballCount}`,
			corrections: [{ what: 'balls', count: ballCount - gap }],
			weight: agrees ? DIVIDE_AGREES : disagrees ? 0.05 : 0.5
		});
	if (gap > 0)
		candidates.push({
			words: `${some(gap)} tasted, torn or kept and not noted as rejected`,
			corrections: [{ what: 'rejects', count: rejects + gap }],
			weight: 1
		});
	else if (rejects + gap >= 0)
		candidates.push({
			words: `${some(-gap)} noted as rejected and packed all the same`,
			corrections: [{ what: 'rejects', count: rejects + gap }],
			weight: 0.4
		});
	if (sellable + gap >= 0)
		candidates.push({
			words: `the sellable pieces were miscounted: ${sellable + gap}, not ${sellable}`,
			corrections: [{ what: 'sellable', count: sellable + gap }],
			weight: 0.6
		});
	return ranked(candidates);
}

/** What would explain packs that are off: a pack or loose pieces miscounted. */
export function explainPack(gap: number, figures: ExplainFigures): Explanation[] {
	const { sellable, packs, loose, packPieces } = figures;
	if (sellable === null || packs === null || loose === null) return [];
	const candidates: Counted[] = [];
	const by = gap / packPieces;
	if (Number.isInteger(by) && packs + by >= 0)
		candidates.push({
			words: `the packs were miscounted: ${packs + by}, not ${packs}`,
			corrections: [{ what: 'packs', count: packs + by }],
			weight: 1
		});
	if (loose + gap >= 0)
		candidates.push({
			words: `the loose pieces were miscounted: ${loose + gap}, not ${loose}`,
			corrections: [{ what: 'loose', count: loose + gap }],
			weight: loose + gap < packPieces ? 0.8 : 0.1
		});
	if (sellable - gap >= 0)
		candidates.push({
			words: `the sellable pieces were miscounted: ${sellable - gap}, not ${sellable}`,
			corrections: [{ what: 'sellable', count: sellable - gap }],
			weight: 0.4
		});
	return ranked(candidates);
}
