import { Decimal } from 'decimal.js';

/** What was in the till at a place when it was counted, decimal strings. */
export interface TillCount {
	id: string;
	channel: string;
	/** In it before the first sale. */
	changeBrought: string;
	cash: string;
	card: string;
	/** What the sales came to when it was counted. */
	cashSold: string;
	cardSold: string;
	note: string;
	at: string;
	/** Who counted it; '' where that was not kept yet. */
	by: string;
}

/** By how much what was counted is off from what was sold: above zero there is more. */
export function tillOff(
	count: Pick<TillCount, 'changeBrought' | 'cash' | 'card' | 'cashSold' | 'cardSold'>
): { cash: string; card: string } {
	return {
		cash: new Decimal(count.cash).minus(count.changeBrought).minus(count.cashSold).toFixed(2),
		card: new Decimal(count.card).minus(count.cardSold).toFixed(2)
	};
}
