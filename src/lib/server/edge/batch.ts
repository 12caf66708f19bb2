import Joi from 'joi';
import { COOKINGS, type Cooking } from '$core/formula/process.ts';
import type { BatchInput } from '../../batch/types.ts';
import {
	count,
	day,
	grams,
	gramsList,
	id,
	number,
	optionalText,
	text,
	timeOfDay,
	version
} from './fields.ts';

/** A record form once read. */
export interface BatchForm {
	id: string;
	version: number;
	madeOn: string;
	beganAt: string | null;
	usedUntil: string | null;
	equipment: string[];
	ballWeight: number;
	ballCount: number | null;
	rejects: number;
	sellable: number | null;
	packs: number | null;
	loose: number | null;
	servingPieces: number | null;
	note: string;
	reason: string;
	doughWeight: number | null;
	leftover: number | null;
	ballWeights: number[];
	finishedWeights: number[];
	/** Null where nobody weighed it. */
	lines: { id: string; grams: number | null; uptake: number | null }[];
}

const MOST_PIECES = 100_000;

const line = Joi.object({
	id: id('open the batch again'),
	grams: grams({ optional: true }),
	uptake: grams({ optional: true })
}).custom((value: BatchForm['lines'][number], helpers) =>
	value.uptake !== null && value.grams !== null && value.uptake > value.grams
		? helpers.message({ custom: 'what stayed on the pieces is more than what was used up' })
		: value
);

export const batchForm = Joi.object<BatchForm>({
	id: id('open the batch again'),
	version: version(),
	madeOn: day(),
	beganAt: timeOfDay({ optional: true }),
	usedUntil: timeOfDay({ optional: true }),
	equipment: Joi.array().items(id('choose among the kitchen’s equipment').optional()).unique().required(),
	ballWeight: grams({ positive: true }),
	ballCount: count(1, MOST_PIECES, { optional: true }),
	rejects: count(0, MOST_PIECES),
	sellable: count(0, MOST_PIECES, { optional: true }),
	packs: count(0, MOST_PIECES, { optional: true }),
	loose: count(0, MOST_PIECES, { optional: true }),
	servingPieces: count(1, 2, { optional: true }),
	note: optionalText(1000),
	reason: optionalText(500),
	doughWeight: grams({ optional: true, positive: true }),
	leftover: grams({ optional: true }),
	ballWeights: gramsList(),
	finishedWeights: gramsList(),
	lines: Joi.array().items(line).required()
});

/** What is recorded of a form. */
export function batchInput(form: BatchForm): BatchInput {
	return {
		madeOn: form.madeOn,
		beganAt: form.beganAt,
		usedUntil: form.usedUntil,
		equipment: form.equipment,
		ballWeight_g: form.ballWeight,
		ballCount: form.ballCount,
		rejects: form.rejects,
		sellable: form.sellable,
		packs: form.packs,
		loose: form.loose,
		servingPieces: form.servingPieces,
		note: form.note,
		doughWeight_g: form.doughWeight,
		leftover_g: form.leftover,
		ballWeights_g: form.ballWeights,
		finishedWeights_g: form.finishedWeights,
		lines: form.lines.map(({ id, grams, uptake }) => ({ id, grams, uptake_g: uptake }))
	};
}

/** A plan form once read. */
export interface PlanForm {
	id: string;
	productId: string;
	madeOn: string;
	factor: number;
	/** Null as the formula says. */
	cooking: Cooking | null;
}

export const planForm = Joi.object<PlanForm>({
	id: id('open the page again'),
	productId: id('choose a product'),
	madeOn: day(),
	factor: number(0.01, 100),
	cooking: Joi.valid(...COOKINGS)
		.empty('')
		.default(null)
});

export const cleanForm = Joi.object<{
	id: string;
	equipment: string[];
	cleanedOn: string;
	at: string;
	how: string;
}>({
	id: id('open the batch again'),
	equipment: Joi.array().items(id('choose among the kitchen’s equipment').optional()).unique().required(),
	cleanedOn: day(),
	at: timeOfDay(),
	how: text(200, 'say how it was cleaned')
});

export const closeForm = Joi.object<{ version: number; reason: string }>({
	version: version(),
	reason: optionalText(500)
});

const MOST_MINUTES = 2880;

export const minutesForm = Joi.object<{ heat: number | null; hands: number | null }>({
	heat: number(0, MOST_MINUTES, { optional: true }),
	hands: number(0, MOST_MINUTES, { optional: true })
});

export const voidForm = Joi.object<{ id: string; reason: string }>({
	id: id('open the batch again'),
	reason: text(200, 'say why it does not count')
});
