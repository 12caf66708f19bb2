import Joi from 'joi';
import type { LotCount } from '../lots/count.ts';
import type { LotInput } from '../../shelf/lots.ts';
import type { JarsMade } from '../lots/make-jars.ts';
import { ID, count, day, grams, id, money, number, optionalText, text } from './fields.ts';

/** A receiving form once read; its id makes a lot sent twice one lot. */
export interface LotForm extends Omit<LotInput, 'usable'> {
	id: string;
	/** In percent, as typed. */
	usable: number;
}

export const lotForm = Joi.object<LotForm>({
	id: id('open the page again'),
	ingredientId: Joi.string()
		.pattern(ID)
		.allow('')
		.required()
		.messages({ 'string.pattern.base': 'choose what it is a lot of' }),
	material: optionalText(80),
	supplier: optionalText(120),
	supplierCode: optionalText(60),
	receivedOn: day(),
	received: grams({ positive: true }),
	amount: money({ optional: true }),
	usable: number(1, 100),
	bestBefore: day({ optional: true }),
	note: optionalText(300)
});

/** So many jars are filled at once. */
const MOST_JARS = 10_000;
export const jarsForm = Joi.object<JarsMade>({
	id: id('open the page again'),
	madeOn: day(),
	jars: count(1, MOST_JARS),
	bestBefore: day({ optional: true })
});

export const takeBackForm = Joi.object<{ reason: string }>({ reason: text(300, 'say why, for the record') });

const counted = Joi.object({
	lotId: id('open the page again'),
	expected: Joi.number().required(),
	counted: grams({}),
	reason: optionalText(300)
});

export const countForm = Joi.object<{ counts: LotCount[] }>({
	counts: Joi.array().items(counted).min(1).required().messages({
		'array.min': 'count at least one lot'
	})
});
