import Joi from 'joi';
import { NUTRIENTS } from '$core/composition/nutrients.ts';
import { SHARE_KEYS } from '$core/formula/shares.ts';
import { PERS } from '$core/reformulate/wish.ts';
import type { FigureOf, NewLine } from '../../reformulate/types.ts';
import { day, id, text, version } from './fields.ts';

const MOST_LINES = 200;
const MOST_FIGURES = 40;

const lines = Joi.array()
	.items(
		Joi.object({
			ingredient: id('choose an ingredient'),
			grams: Joi.number().min(0).max(1_000_000).required()
		})
	)
	.min(1)
	.max(MOST_LINES)
	.required();
const reason = text(500, 'say why: it is kept with the version');

/** A reformulated formula that is kept. */
export const takeForm = Joi.object<{ version: number; lines: NewLine[]; reason: string }>({
	version: version(),
	lines,
	reason
});

/** A trial batch of one. */
export const trialForm = Joi.object<{
	id: string;
	version: number;
	madeOn: string;
	factor: number;
	lines: NewLine[];
	reason: string;
	figures: FigureOf[];
}>({
	id: id('open the page again'),
	version: version(),
	madeOn: day(),
	factor: Joi.number().min(0.01).max(100).required(),
	lines,
	reason,
	figures: Joi.array()
		.items(
			Joi.object({
				figure: Joi.valid(...NUTRIENTS, ...SHARE_KEYS, 'cost').required(),
				per: Joi.valid(...PERS).required()
			})
		)
		.max(MOST_FIGURES)
		.required()
});
