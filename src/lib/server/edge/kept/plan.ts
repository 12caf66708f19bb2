import Joi from 'joi';
import { TOOL_KINDS } from '$core/planning/making.ts';
import { PACES } from '$core/planning/paces.ts';
import { clock, takenTasks, wish } from '../plan.ts';
import { steps } from './formula.ts';
import { figure, figureOrNull, words } from './parts.ts';

export { wish };

const pace = Joi.object({ median_min: figure(), p90_min: figure(), batches: figure() })
	.allow(null)
	.required();
const tags = Joi.array().items(Joi.string()).required();
const ahead = Joi.object({
	make: figure(),
	walkUp: figure(),
	ordered: figure(),
	chanceOfSellingOut: figure(),
	expectedLeft: figure(),
	distribution: Joi.array()
		.items(Joi.object({ packs: figure(), probability: figure() }))
		.required(),
	littleKnown: Joi.boolean().required()
}).required();

const product = Joi.object({
	productId: words(),
	name: words(),
	packPieces: figure(),
	days: Joi.array()
		.items(Joi.object({ sold: figure(), soldOutAt: figureOrNull() }))
		.required(),
	ahead,
	money: Joi.valid(null).required(),
	soldToday: figure(),
	there: figure(),
	planned: figure(),
	toMake: figure(),
	ballWeight_g: figure(),
	rejectRate: figure(),
	steps,
	paces: Joi.object(Object.fromEntries(PACES.map((kind) => [kind, pace]))).required(),
	allergens: tags,
	tools: tags
});

const basis = Joi.object({
	day: words(),
	place: words(),
	products: Joi.array().items(product).required(),
	tools: Joi.array()
		.items(
			Joi.object({
				id: words(),
				name: words(),
				kind: Joi.valid(...TOOL_KINDS).required(),
				places: figure(),
				capacity_g: figureOrNull()
			})
		)
		.required(),
	people: tags,
	hours: Joi.object({ opens: clock(), closes: clock() }).allow(null).required()
}).required();

/** A plan that was taken: what it was planned from, and what it says. */
export const taken = Joi.object({
	basis,
	wish: wish.required(),
	tasks: takenTasks,
	inTime: Joi.number().min(0).max(1).required()
});
