import { sumOf } from '../measure/round.ts';

/** Short packs that are left of those made, once those that are gone are gone: each is known by its pieces. */
export function remaining(made: readonly number[], gone: readonly number[]): number[] {
	const left = [...made];
	for (const pieces of gone) {
		const at = left.indexOf(pieces);
		if (at >= 0) left.splice(at, 1);
	}
	return left;
}

/** Pieces loose at the count that are in no short pack yet; as many as fill a pack are no short one. */
export function looseLeft(loose: number | null, shortPacks: readonly number[], packPieces: number): number {
	return Math.max(0, (loose ?? 0) - piecesIn(shortPacks)) % packPieces;
}

/** Something that short packs cannot be, at the count it belongs to. */
export interface ShortPackProblem {
	path: 'loose' | 'packs';
	message: string;
}

/**
 * Why these short packs cannot be: more pieces in them than were counted loose, or one that is `gone` is not among them;
 * null where they can.
 */
export function shortPackProblem(
	made: readonly number[],
	loose: number | null,
	gone: readonly number[]
): ShortPackProblem | null {
	const inThem = piecesIn(made);
	if (inThem > (loose ?? 0))
		return {
			path: 'loose',
			message: `${inThem} pieces are in short packs, and ${loose ?? 'none'} were counted loose: take a short pack apart first`
		};
	const missing = remaining(gone, made)[0];
	return missing === undefined
		? null
		: { path: 'packs', message: `a short pack of ${missing} is gone already: void its sale first` };
}

/** Packs of a batch that may be sold: full ones, and how many pieces each short one holds. */
export interface PacksToSell {
	full: number;
	short: readonly number[];
}

/** Why so many packs cannot be sold of these, short ones of `pieces` where it is not null; null where they can. */
export function saleProblem(
	code: string,
	{ full, short }: PacksToSell,
	{ packs, pieces }: { packs: number; pieces: number | null }
): string | null {
	if (pieces !== null)
		return short.includes(pieces) ? null : `batch ${code} has no short pack of ${pieces} left`;
	if (short.length === 0 || packs <= full) return null;
	const areShort = short.length === 1 ? 'one is short' : `${short.length} are short`;
	return `batch ${code} has ${full} full ${full === 1 ? 'pack' : 'packs'} left, not ${packs}; ${areShort}`;
}

const piecesIn = (packs: readonly number[]): number => sumOf(packs, (pieces) => pieces);
