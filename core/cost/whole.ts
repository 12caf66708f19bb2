import { Decimal } from 'decimal.js';
import type { Product } from '../formula/types.ts';
import type { Cost } from './cost.ts';
import { Money, sumMoney } from './money.ts';

/** What a kitchen pays for energy and labour, decimal strings; null where it does not count it. */
export interface Rates {
	tariff_perKwh: string | null;
	labour_perHour: string | null;
}

/** How long a batch took, and what power it was heated with; null where nobody said. */
export interface Working {
	heat_min: number | null;
	hands_min: number | null;
	power_kw: number | null;
}

/** What a batch is paid for, each apart (section 11). */
export const COST_PARTS = ['ingredients', 'materials', 'energy', 'labour'] as const;
export type CostPart = (typeof COST_PARTS)[number];

/** A part of what a batch cost: decimal strings, to the cent for a batch or a pack, to 4 places for a piece. */
export interface PartCost {
	part: CostPart;
	batch: string;
	/** Null for materials: a piece has none until it is packed. */
	perPiece: string | null;
	perPack: string | null;
}

/** What a batch cost altogether. Totals are the sums of what is shown of the parts. */
export interface WholeCost {
	parts: PartCost[];
	batch: string;
	perPiece: string;
	perPack: string | null;
}

/** What of a batch's facts its whole cost needs. */
export interface Costed {
	cost: Cost;
	sellable: number;
	packs: number;
	product: Pick<Product, 'packPieces' | 'materials'>;
}

/** Energy of a batch: minutes × kW × tariff (section 11); null where one of them is not given. */
export function energyCost(working: Working, rates: Rates): Decimal | null {
	if (working.heat_min === null || working.power_kw === null || rates.tariff_perKwh === null) return null;
	return new Money(working.heat_min).div(60).times(working.power_kw).times(rates.tariff_perKwh);
}

/** Labour of a batch: hands-on minutes × rate (section 11); null where one of them is not given. */
export function labourCost(working: Working, rates: Rates): Decimal | null {
	if (working.hands_min === null || rates.labour_perHour === null) return null;
	return new Money(working.hands_min).div(60).times(rates.labour_perHour);
}

/**
 * What a batch cost with energy and labour where the maker counts them; null while nothing of its
 * ingredients has a price or nothing can be sold. Materials and ingredients of a pack add up to `perPack`
 * of the facts, to the cent.
 */
export function wholeCost(
	{ cost, sellable, packs, product: { packPieces, materials: used } }: Costed,
	working: Working,
	rates: Rates
): WholeCost | null {
	if (cost.batch === null || cost.perPiece === null) return null;
	const materials = sumMoney(used.map((material) => material.cost));
	const parts: PartCost[] = [
		{
			part: 'ingredients',
			batch: new Money(cost.batch).toFixed(2),
			perPiece: cost.perPiece,
			perPack: cost.perPack && new Money(cost.perPack).minus(materials.toFixed(2)).toFixed(2)
		}
	];
	if (!materials.isZero())
		parts.push({
			part: 'materials',
			batch: materials.times(packs).toFixed(2),
			perPiece: null,
			perPack: materials.toFixed(2)
		});
	const more: [CostPart, Decimal | null][] = [
		['energy', energyCost(working, rates)],
		['labour', labourCost(working, rates)]
	];
	for (const [part, amount] of more) {
		if (amount === null) continue;
		const perPiece = amount.div(sellable);
		parts.push({
			part,
			batch: amount.toFixed(2),
			perPiece: perPiece.toFixed(4),
			perPack: packPieces === null ? null : perPiece.times(packPieces).toFixed(2)
		});
	}
	return {
		parts,
		batch: sumMoney(parts.map((part) => part.batch)).toFixed(2),
		perPiece: sumMoney(parts.flatMap((part) => part.perPiece ?? [])).toFixed(4),
		perPack: packPieces === null ? null : sumMoney(parts.flatMap((part) => part.perPack ?? [])).toFixed(2)
	};
}
