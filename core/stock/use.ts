import { settled, sumOf } from '../measure/round.ts';

/** What something is counted in. */
export type CountUnit = 'g' | 'pieces';

/** Something lots are kept of: what the batch consumed, and what it drew from lots. */
export interface StockUse {
	name: string;
	unit: CountUnit;
	consumed: number;
	drawn: number;
}

/** Something a batch uses that lots are kept of, and what it drew from each. */
export interface Stocked {
	/** Null for packaging. */
	ingredientId: string | null;
	name: string;
	unit: CountUnit;
	/** Pieces of packaging a pack takes; 0 of an ingredient. */
	perPack: number;
	from: readonly { amount: number }[];
}

/** What is at hand of a lot, for drawing from it. */
export interface AtHand {
	ingredientId: string | null;
	name: string;
	onHand: number;
}

type UsedLine = { ingredient: string; weighed_g: number | null };

/** What a batch uses of things lots are kept of, as their moves have it. */
export function stockUses(stock: readonly Stocked[], lines: readonly UsedLine[], packs: number): StockUse[] {
	return stock.map(({ ingredientId, name, unit, perPack, from }) => ({
		name,
		unit,
		consumed:
			ingredientId === null
				? packs * perPack
				: settled(
						sumOf(
							lines.filter((line) => line.ingredient === ingredientId),
							(line) => line.weighed_g ?? 0
						)
					),
		drawn: settled(sumOf(from, (lot) => lot.amount))
	}));
}

/** The same once the lots at hand are drawn from for what was consumed since. */
export function stockUsesAtHand(
	stock: readonly Stocked[],
	lines: readonly UsedLine[],
	packs: number,
	lots: readonly AtHand[]
): StockUse[] {
	const uses = stockUses(stock, lines, packs);
	return stock.flatMap(({ ingredientId, name }, index) => {
		const use = uses[index];
		if (!use) return [];
		const of = lots.filter((lot) => lot.ingredientId === ingredientId && lot.name === name);
		const most = settled(use.drawn + sumOf(of, (lot) => Math.max(0, lot.onHand)));
		return { ...use, drawn: Math.min(use.consumed, most) };
	});
}
