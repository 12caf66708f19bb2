import Joi from 'joi';
import { ALL, SORTS, type LedgerFilter, type Sort } from '../sales/ledger.ts';
import { PAID_BY, SALE_KINDS, type PaidBy } from '../../sales/kinds.ts';
import type { SaleEntry } from '../../sales/types.ts';
import { ID, count, day, id, money, optionalText, text } from './fields.ts';
import type { CountedTill } from '../sales/till-count.ts';
import { DAY_ORDERS, type DayOrder } from '../sales/past/read.ts';
import { isDay } from './query.ts';

const MOST_PACKS = 10_000;
export const MOST_ENTRIES = 500;

/** What leaves a batch by the form; a void and a return have forms of their own. */
const LEAVING = ['sale', 'gift', 'sample', 'written off'] as const;

/** Packs of one batch; its id makes a line sent twice count once. */
export interface SaleLine {
	id: string;
	batchId: string;
	packs: number;
	price: string;
}

/** A sale form once read: what one customer got, or what left otherwise. */
export interface SaleForm {
	kind: (typeof LEAVING)[number];
	lines: SaleLine[];
	soldOn: string;
	channel: string;
	paidBy: PaidBy;
	customer: string;
	reason: string;
}

const SOLD_AT = 'say where you sell';

export const tillForm = Joi.object<CountedTill>({
	id: id('open the page again'),
	channel: text(60, SOLD_AT),
	changeBrought: money(),
	cash: money(),
	card: money(),
	note: optionalText(300)
});

const MOST_LINES = 30;

export const saleForm = Joi.object<SaleForm>({
	kind: Joi.valid(...LEAVING).required(),
	lines: Joi.array()
		.items(
			Joi.object({
				id: id('open the page again'),
				batchId: id('choose the batch the packs are from'),
				packs: count(1, MOST_PACKS),
				price: Joi.when('/kind', { is: 'sale', then: money(), otherwise: Joi.any().custom(() => '0') })
			})
		)
		.min(1)
		.max(MOST_LINES)
		.required(),
	soldOn: day(),
	channel: text(60, 'say where they went'),
	paidBy: Joi.valid(...PAID_BY).required(),
	customer: Joi.when('paidBy', {
		is: 'owed',
		then: Joi.when('kind', {
			is: 'sale',
			then: text(120, 'say who owes it'),
			otherwise: optionalText(120)
		}),
		otherwise: optionalText(120)
	}),
	reason: Joi.when('kind', {
		is: 'written off',
		then: text(300, 'say why they are written off'),
		otherwise: optionalText(300)
	})
});

/** A void form once read. */
export interface VoidForm {
	saleId: string;
	reason: string;
}

export const voidForm = Joi.object<VoidForm>({
	saleId: id('choose a sale'),
	reason: text(300, 'say why, for the record')
});

/** A return form once read. */
export interface ReturnForm {
	id: string;
	saleId: string;
	packs: number;
	soldOn: string;
	reason: string;
	thrownAway: boolean;
}

export const returnForm = Joi.object<ReturnForm>({
	id: id('open the page again'),
	saleId: id('choose a sale'),
	packs: count(1, MOST_PACKS),
	soldOn: day(),
	reason: text(300, 'say why they came back'),
	thrownAway: Joi.boolean().required()
});

export const payForm = Joi.object<{ checkoutId: string; paidBy: 'cash' | 'card'; paidOn: string }>({
	checkoutId: id('choose what is paid'),
	paidBy: Joi.valid('cash', 'card').required(),
	paidOn: day()
});

const textOrNone = () => Joi.string().pattern(ID).allow(null).required();

/** An entry of a till as a device sends it. */
export const saleEntryForm = Joi.object<SaleEntry>({
	id: id('not an entry'),
	kind: Joi.valid(...SALE_KINDS).required(),
	checkoutId: textOrNone(),
	batchId: id('not of a batch'),
	soldOn: Joi.string()
		.pattern(/^\d{4}-\d\d-\d\d$/)
		.isoDate()
		.required(),
	channel: text(60),
	packs: Joi.number().integer().min(1).max(MOST_PACKS).required(),
	price: Joi.string()
		.pattern(/^\d{1,9}(\.\d{1,4})?$/)
		.required(),
	paidBy: Joi.valid(null, ...PAID_BY).required(),
	customer: optionalText(120),
	reason: optionalText(300),
	ofId: textOrNone(),
	thrownAway: Joi.boolean().required(),
	pieces: Joi.number().integer().min(1).max(MOST_PACKS).allow(null).default(null)
});

/** How the ledger is looked at, from an address; what cannot be read is left out. */
export function ledgerQuery(
	params: URLSearchParams,
	from: string
): { filter: LedgerFilter; sort: Sort; shown: number } {
	const FIRST_SHOWN = 60;
	const MOST_SHOWN = 2000;
	const ask = (key: string, is: (value: string) => boolean): string | null => {
		const value = params.get(key);
		return value !== null && value !== '' && is(value) ? value : null;
	};
	const oneOf = <T extends string>(key: string, list: readonly T[]): T | null =>
		list.find((each) => each === params.get(key)) ?? null;
	const shown = Number(params.get('shown') ?? FIRST_SHOWN);
	return {
		filter: {
			...ALL,
			// Unless asked for more, the last twelve months: nobody reads ten years at once.
			from: params.get('from') === null ? from : ask('from', isDay),
			to: ask('to', isDay),
			productId: ask('product', (value) => ID.test(value)),
			channel: ask('channel', (value) => value.length <= 60),
			kind: oneOf('kind', SALE_KINDS),
			paidBy: oneOf('paid', PAID_BY)
		},
		sort: oneOf('sort', SORTS) ?? 'newest',
		shown: Number.isInteger(shown) && shown > 0 ? Math.min(shown, MOST_SHOWN) : FIRST_SHOWN
	};
}

const MOST_PLACE = 60;

/** What is not as the form sends it is as nothing was chosen. */
export const optionsForm = Joi.object<{ order: DayOrder; channel: string; from: 'batches' | 'none' }>({
	order: Joi.valid(...DAY_ORDERS).failover(DAY_ORDERS[0]),
	channel: Joi.string().trim().allow('').max(MOST_PLACE).truncate().failover(''),
	from: Joi.valid('batches', 'none').failover('none')
});

export const eraseForm = Joi.object<{ customer: string }>({
	customer: text(120, 'whose name is to be erased?')
});
