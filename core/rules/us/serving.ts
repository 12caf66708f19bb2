import type { Category, Product } from '../../formula/types.ts';
import { roundTo, settled } from '../../measure/round.ts';
import type { Notice, Problem } from '../../problem.ts';

/** Reference amounts customarily consumed, grams (21 CFR 101.12(b)). */
export const REFERENCE_AMOUNT_G: Record<Category, number> = {
	tortilla: 55,
	flatbread: 50,
	'taco-shell': 30
};

/** 1/2 to 1/6, and what further division of these by 2 or 3 makes (21 CFR 101.9(b)(2)(ii)). */
const FRACTIONS = [2, 3, 4, 5, 6] as const;
const FURTHER = [2, 3] as const;

export type ExtraColumn = 'piece' | 'package';

/** What of a product the serving rule goes by. */
export type ServedProduct = Pick<Product, 'one' | 'many' | 'category' | 'packPieces' | 'servingPieces'>;

export interface UsServing {
	/** Whole pieces in a serving; null when it is a fraction of one. */
	pieces: number | null;
	/** Such as `1/3`; null when it is whole pieces. */
	fraction: string | null;
	/** As it prints. */
	grams: number;
	/** As it prints: `2 tortillas (57g)`. */
	text: string;
	/** Servings per container as it prints; null without a pack. */
	perContainer: string | null;
	columns: ('serving' | ExtraColumn)[];
}

/** A serving with what the panel is computed from, unrounded. */
export interface ServingResult {
	serving: UsServing;
	/** Pieces in a serving as a number: 2, or 0.333… */
	piecesPerServing: number;
	/** Whether the rule left the maker a choice of one or two pieces. */
	hasChoice: boolean;
	notices: Notice[];
	problems: Problem[];
}

/**
 * The serving of a product by 21 CFR 101.9(b)(2)–(6) (computation, section 6).
 * `finishedWeight_g` is of one piece.
 */
export function usServing(product: ServedProduct, finishedWeight_g: number): ServingResult {
	const { packPieces, servingPieces: choice } = product;
	const reference_g = REFERENCE_AMOUNT_G[product.category];
	const ofReference = settled(finishedWeight_g / reference_g);
	const packShare = packPieces === null ? null : settled((packPieces * finishedWeight_g) / reference_g);
	const hasChoice = ofReference > 0.5 && ofReference < 0.67 && !(packShare !== null && packShare < 2);
	const notices: Notice[] = [];
	const problems: Problem[] = [];
	if (choice !== null && !hasChoice)
		notices.push({
			code: 'serving-choice-unused',
			message:
				'the serving rule leaves no choice at this weight, so the chosen pieces per serving are not used',
			ingredient: null
		});
	if (choice !== null && hasChoice && choice !== 1 && choice !== 2)
		problems.push({ path: 'batch.servingPieces', message: `a serving is 1 or 2 pieces here, not ${choice}` });

	const finish = (size: { pieces: number } | { divisor: number } | 'package'): ServingResult => {
		const piecesPerServing =
			size === 'package' ? (packPieces ?? 1) : 'pieces' in size ? size.pieces : 1 / size.divisor;
		const grams = servingGrams(finishedWeight_g * piecesPerServing);
		const whole = size === 'package' || 'pieces' in size;
		const columns: UsServing['columns'] = ['serving'];
		if (size !== 'package') {
			const extra = extraColumn(ofReference, packPieces, packShare);
			if (extra) columns.push(extra);
		}
		return {
			serving: {
				pieces: whole ? piecesPerServing : null,
				fraction: whole ? null : `1/${size.divisor}`,
				grams,
				text: `${sizeText(size, product)} (${grams}g)`,
				perContainer: packPieces === null ? null : containerText(packPieces / piecesPerServing),
				columns
			},
			piecesPerServing,
			hasChoice,
			notices,
			problems
		};
	};

	if (packShare !== null && packShare < 2) return finish('package');
	if (ofReference <= 0.5) return finish({ pieces: nearestPieces(finishedWeight_g, reference_g) });
	if (ofReference < 0.67) return finish({ pieces: choice === 1 ? 1 : 2 });
	if (ofReference < 2) return finish({ pieces: 1 });
	return finish({ divisor: nearestFraction(finishedWeight_g, reference_g) });
}

function sizeText(
	size: { pieces: number } | { divisor: number } | 'package',
	{ one, many, packPieces }: ServedProduct
): string {
	if (size === 'package') return packPieces === 1 ? `1 ${one}` : '1 package';
	if ('divisor' in size) return `1/${size.divisor} ${one}`;
	return size.pieces === 1 ? `1 ${one}` : `${size.pieces} ${many}`;
}

/**
 * The second column: per piece where a piece is 200–300 % of the reference amount, per package where
 * the pack is and holds more than one serving. A pack of one such piece needs only the first.
 */
function extraColumn(
	ofReference: number,
	packPieces: number | null,
	packShare: number | null
): ExtraColumn | null {
	if (ofReference >= 2 && ofReference <= 3) return 'piece';
	if (packPieces !== null && packShare !== null && packPieces > 1 && packShare >= 2 && packShare <= 3)
		return 'package';
	return null;
}

/** Whole pieces whose weight is nearest the reference amount, at least one; a tie takes the larger. */
function nearestPieces(weight_g: number, reference_g: number): number {
	const fewer = Math.max(1, Math.floor(settled(reference_g / weight_g)));
	const under = settled(Math.abs(reference_g - fewer * weight_g));
	const over = settled(Math.abs((fewer + 1) * weight_g - reference_g));
	return over <= under ? fewer + 1 : fewer;
}

/** Divisor of the fraction of a piece nearest the reference amount; a tie takes the larger fraction. */
function nearestFraction(weight_g: number, reference_g: number): number {
	let best: number = FRACTIONS[0];
	const away = (divisor: number) => settled(Math.abs(weight_g / divisor - reference_g));
	for (const divisor of divisorsUpTo((2 * weight_g) / reference_g))
		if (away(divisor) < away(best)) best = divisor;
	return best;
}

/** What a piece may be divided into, smallest first; a fraction far below the reference amount is never nearest. */
function divisorsUpTo(most: number): number[] {
	const divisors = new Set<number>(FRACTIONS);
	for (const divisor of divisors)
		for (const further of FURTHER) if (divisor * further <= most) divisors.add(divisor * further);
	return [...divisors].sort((a, b) => a - b);
}

/** Grams of a serving as they print (21 CFR 101.9(b)(7)(iii)): whole, from 2 to 5 g by halves, below by tenths. */
export function servingGrams(grams: number): number {
	const exact = settled(grams);
	return roundTo(grams, exact < 2 ? 0.1 : exact < 5 ? 0.5 : 1);
}

/** Servings per container as it prints (21 CFR 101.9(b)(8)). */
export function containerText(servings: number): string {
	const exact = settled(servings);
	if (Number.isInteger(exact)) return String(exact);
	return `about ${exact > 2 && exact < 5 ? roundTo(exact, 0.5) : roundTo(exact, 1)}`;
}

/** `60` of 0.6: whole percent, or a tenth where rounding would hide which side of a limit it is on. */
function percentText(share: number): string {
	const exact = settled(share * 100);
	const whole = roundTo(exact, 1);
	const hides = [50, 67, 200, 300].some((limit) => whole === limit && exact !== limit);
	return String(hides ? roundTo(exact, 0.1) : whole);
}

/**
 * Why the serving is what it is, in a sentence or two: the weight, its share of the reference amount, and
 * what the rule makes of it (21 CFR 101.9(b)(2), (b)(3), (b)(6), (b)(12)).
 */
export function servingReason(
	{ one, many, category, packPieces }: ServedProduct,
	finishedWeight_g: number,
	serving: UsServing
): string {
	const reference_g = REFERENCE_AMOUNT_G[category];
	const ofReference = settled(finishedWeight_g / reference_g);
	const weight = (grams: number) => `${roundTo(grams, 0.1)} g`;
	const share = (grams: number) =>
		`${weight(grams)}, ${percentText(grams / reference_g)} % of the ${reference_g} g reference amount`;
	const pack_g = packPieces === null ? null : packPieces * finishedWeight_g;
	const packShare = pack_g === null ? null : settled(pack_g / reference_g);
	if (pack_g !== null && packShare !== null && packShare < 2)
		return `The pack holds ${share(pack_g)}: a pack of less than twice that is one serving.`;

	const weighs = `One ${one} weighs ${share(finishedWeight_g)}`;
	const extra = serving.columns[1];
	const column =
		extra === 'package' && pack_g !== null
			? ` The pack holds ${share(pack_g)}: from 200 to 300 %, a second column states the whole pack.`
			: '';
	if (ofReference <= 0.5)
		return `${weighs}: the number that comes nearest to it is a serving, ${serving.pieces === 1 ? `1 ${one}` : `${serving.pieces} ${many}`}.${column}`;
	if (ofReference < 0.67)
		return `${weighs}: one or two may be declared; ${serving.pieces === 1 ? 'one is' : 'two are'}.${column}`;
	if (ofReference < 2) return `${weighs}: one is a serving.${column}`;
	const fraction = `the fraction of one that comes nearest to it is a serving, ${serving.fraction ?? '1'}`;
	if (ofReference <= 3) return `${weighs}: ${fraction}, and a second column states the whole ${one}.`;
	return `${weighs}: ${fraction}; above 300 % no second column is asked for.`;
}
