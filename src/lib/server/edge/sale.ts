import Joi from 'joi';
import type { SaleInput } from '../sales.ts';
import { count, day, id, money, text } from './fields.ts';

/** A sale form once read; its id makes a sale sent twice count once. */
export type SaleForm = SaleInput & { id: string };

export const saleForm = Joi.object<SaleForm>({
	id: id('open the page again'),
	batchId: id('choose the batch the packs are from'),
	soldOn: day(),
	channel: text(60, 'say where they were sold'),
	packs: count(1, 10_000),
	price: money()
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
