import type { Decimal } from 'decimal.js';
import { apportion, Money } from './money.ts';
import type { Fee } from './selling.ts';
import type { WholeCost } from './whole.ts';

/** What left a batch at one place on one day, returns and voids taken off. */
export interface DayOfBatch {
	batchId: string;
	day: string;
	channel: string;
	packs: number;
	/** Gone without being sold. */
	given: number;
	money: string;
}

/** What a selling day at one place brought, decimal strings to the cent. */
export interface SellingDay {
	day: string;
	channel: string;
	packs: number;
	given: number;
	takings: string;
	/** Of the packs that were sold or given, each part apart. */
	materials: string;
	energy: string;
	labour: string;
	fee: string;
	profit: string;
	/** Packs of batches whose cost is not known: the day's cost leaves them out. */
	uncosted: number;
}

/** What a place takes of a day on which something was sold there: the day's sum and its share. */
export function feeOfDay(fee: Fee, takings: string, packs: number): Decimal {
	if (packs === 0 && new Money(takings).isZero()) return new Money(0);
	return new Money(fee.perDay).plus(new Money(takings).times(fee.share)).toDecimalPlaces(2);
}

/** Amounts have at most four decimals: in whole units of the last their sums are exact, and many times as fast. */
const PLACES = 4;
const units = (amount: string) => Math.round(Number(amount) * 10 ** PLACES);
const ofUnits = (amount: number) => new Money(amount).times(`1e-${PLACES}`);

/** The entries of a day at one place together, with what it took. */
interface DayAtPlace {
	day: string;
	channel: string;
	of: DayOfBatch[];
	takings: Decimal;
	packs: number;
	fee: Decimal;
}

function daysOf(entries: readonly DayOfBatch[], feeOf: (channel: string, day: string) => Fee): DayAtPlace[] {
	const days = new Map<string, DayOfBatch[]>();
	for (const entry of entries) {
		const key = `${entry.day} ${entry.channel}`;
		const known = days.get(key);
		if (known) known.push(entry);
		else days.set(key, [entry]);
	}
	return [...days.values()].flatMap((of): DayAtPlace[] => {
		const [first] = of;
		if (!first) return [];
		const { day, channel } = first;
		const takings = ofUnits(of.reduce((sum, entry) => sum + units(entry.money), 0)).toDecimalPlaces(2);
		const packs = of.reduce((sum, entry) => sum + entry.packs, 0);
		return [
			{ day, channel, of, takings, packs, fee: feeOfDay(feeOf(channel, day), takings.toFixed(2), packs) }
		];
	});
}

/** What a pack of a batch costs, in `units`: its energy and its labour, and the rest of it. */
interface PackCost {
	materials: number;
	energy: number;
	labour: number;
}

function packCost({ parts, perPack }: WholeCost): PackCost | null {
	if (perPack === null) return null;
	const of = (part: string) => units(parts.find((each) => each.part === part)?.perPack ?? '0');
	const [energy, labour] = [of('energy'), of('labour')];
	return { materials: units(perPack) - energy - labour, energy, labour };
}

/** `of`, asked once for each key. */
function once<Value>(of: (key: string) => Value): (key: string) => Value {
	const known = new Map<string, Value>();
	return (key) => {
		const value = known.has(key) ? (known.get(key) as Value) : of(key);
		known.set(key, value);
		return value;
	};
}

/**
 * Profit of each selling day and place, in the order given: what was taken, less what the packs cost that
 * left that day, sold or given, and what the place takes. A pack costs what its batch says a pack costs.
 */
export function sellingDays(
	entries: readonly DayOfBatch[],
	costOf: (batchId: string) => WholeCost | null,
	feeOf: (channel: string, day: string) => Fee
): SellingDay[] {
	// A batch sells over days and places; what a pack of it costs is read once.
	const packOf = once((batchId) => {
		const cost = costOf(batchId);
		return cost && packCost(cost);
	});
	return daysOf(entries, feeOf).map(({ day, channel, of, takings, packs, fee }): SellingDay => {
		const costed = of.map((entry) => ({ gone: entry.packs + entry.given, cost: packOf(entry.batchId) }));
		const sum = (part: keyof PackCost) =>
			ofUnits(costed.reduce((total, { gone, cost }) => total + (cost ? cost[part] * gone : 0), 0));
		const [materials, energy, labour] = [sum('materials'), sum('energy'), sum('labour')];
		return {
			day,
			channel,
			packs,
			given: of.reduce((total, entry) => total + entry.given, 0),
			takings: takings.toFixed(2),
			materials: materials.toFixed(2),
			energy: energy.toFixed(2),
			labour: labour.toFixed(2),
			fee: fee.toFixed(2),
			profit: takings.minus(materials).minus(energy).minus(labour).minus(fee).toFixed(2),
			uncosted: costed.reduce((total, { gone, cost }) => total + (cost ? 0 : gone), 0)
		};
	});
}

/** What of each day's fee a batch bears, by batch id: as much as it brought of the day's takings there. */
export function feesByBatch(
	entries: readonly DayOfBatch[],
	feeOf: (channel: string, day: string) => Fee
): Map<string, Decimal> {
	const byBatch = new Map<string, Decimal>();
	for (const { of, takings, fee } of daysOf(entries, feeOf)) {
		if (takings.lessThanOrEqualTo(0)) continue;
		const shares = apportion(
			of.map((entry) => fee.times(entry.money).div(takings)),
			fee,
			2
		);
		of.forEach((entry, index) => {
			const known = byBatch.get(entry.batchId) ?? new Money(0);
			byBatch.set(entry.batchId, known.plus(shares[index] ?? 0));
		});
	}
	return byBatch;
}

/** What a batch brought, decimal strings to the cent. */
export interface BatchProfit {
	takings: string;
	fees: string;
	/** All of it, what was not sold too; null while its cost is not known. */
	cost: string | null;
	/** Takings less fees and cost: below zero until enough is sold. */
	profit: string | null;
}

/** Profit of a batch so far: what its packs brought, less fees and everything it cost to make. */
export function batchProfit(takings: string, fees: Decimal, cost: WholeCost | null): BatchProfit {
	return {
		takings: new Money(takings).toFixed(2),
		fees: fees.toFixed(2),
		cost: cost?.batch ?? null,
		profit: cost ? new Money(takings).minus(fees).minus(cost.batch).toFixed(2) : null
	};
}
