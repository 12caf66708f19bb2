import Joi from 'joi';
import type { OrderInput } from '../../orders/types.ts';
import type { PaidAtHand } from '../orders/keep.ts';
import { count, day, id, money, optionalText, text, version } from './fields.ts';

const MOST_PACKS = 10_000;
const MOST_LINES = 30;

const order = {
	customer: optionalText(120),
	fetchedOn: day(),
	place: text(60, 'say where it is fetched'),
	note: optionalText(300),
	weekly: Joi.boolean().required(),
	paid: Joi.valid('', 'cash', 'card').required(),
	lines: Joi.array()
		.items(Joi.object({ productId: id('choose a product'), packs: count(1, MOST_PACKS), price: money() }))
		.min(1)
		.max(MOST_LINES)
		.required()
		.messages({ 'array.min': 'say what is ordered' })
};

export const takeOrderForm = Joi.object<OrderInput & { id: string }>({
	id: id('open the page again'),
	...order
});

export const changeOrderForm = Joi.object<OrderInput & { id: string; version: number }>({
	id: id('open the order again'),
	version: version(),
	...order
});

export const cancelOrderForm = Joi.object<{
	id: string;
	version: number;
	reason: string;
	endSeries: boolean;
}>({
	id: id('open the order again'),
	version: version(),
	reason: optionalText(300),
	endSeries: Joi.boolean().required()
});

export const handOverForm = Joi.object<{ id: string; version: number; paid: PaidAtHand }>({
	id: id('open the order again'),
	version: version(),
	paid: Joi.valid('cash', 'card', 'owed', 'ahead').required()
});
