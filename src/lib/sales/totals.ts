import { Decimal } from 'decimal.js';

/** Packs and money of some entries; voids and returns taken off. */
export interface Sum {
	/** Sold. */
	packs: number;
	/** Gone without being sold. */
	given: number;
	money: string;
	entries: number;
}

export interface GroupSum extends Sum {
	/** The day, the month, the product and its pack, the channel or the way of paying. */
	key: string;
	name: string;
}

/** What groups come to together: each entry is in one of them. */
export function sumOfGroups(groups: readonly Sum[]): Sum {
	const count = (of: 'packs' | 'given' | 'entries') => groups.reduce((sum, group) => sum + group[of], 0);
	return {
		packs: count('packs'),
		given: count('given'),
		money: groups.reduce((sum, group) => sum.plus(group.money), new Decimal(0)).toFixed(2),
		entries: count('entries')
	};
}
