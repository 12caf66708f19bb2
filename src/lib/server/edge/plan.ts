import Joi from 'joi';
import type { ToolFigures } from '../equipment.ts';
import type { Hours, PlanWish, TakenTask } from '../../plan/types.ts';
import { TOOL_KINDS } from '$core/planning/making.ts';
import { count, grams, id, text, timeOfDay } from './fields.ts';

const MOST_PACKS = 10_000;
/** A plan reaches so many minutes back from its packing, and on. */
const MOST_MINUTES = 14 * 24 * 60;
const MOST_PEOPLE = 20;
const MOST_TASKS = 500;
const MOST_NAMED = 60;

export const clock = () =>
	Joi.string()
		.pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
		.required();
const minute = Joi.number().integer().min(-MOST_MINUTES).max(MOST_MINUTES);
const key = Joi.string().min(1).max(80);
const names = () => Joi.array().items(Joi.string().max(80)).max(MOST_NAMED).required();

/** What is said of a day that is planned. */
export const wish = Joi.object<PlanWish>({
	packedBy: clock(),
	packedEve: Joi.boolean().required(),
	people: Joi.array().items(Joi.string().trim().min(1).max(60)).min(1).max(MOST_PEOPLE).required().messages({
		'array.min': 'somebody has to make it: say who'
	}),
	packs: Joi.object().pattern(key, Joi.number().integer().min(0).max(MOST_PACKS)).required(),
	earliest: clock(),
	evening: Joi.alternatives(Joi.valid(''), clock()).required(),
	reckoning: Joi.valid('usual', 'safe').required(),
	pins: Joi.object().pattern(key, minute).max(MOST_TASKS).required(),
	overnight: names(),
	helpers: Joi.array().items(minute).max(MOST_PEOPLE).required(),
	borrowed: names(),
	without: names(),
	rollsWhileCooking: Joi.boolean().required()
});

const version = Joi.number().integer().min(0).required();

export const wishForm = Joi.object<{ version: number; wish: PlanWish }>({ version, wish: wish.required() });

export const takenTasks = Joi.array()
	.items(
		Joi.object<TakenTask>({
			key: key.required(),
			mode: Joi.number().integer().min(0).max(1000).required(),
			start_min: minute.required()
		})
	)
	.max(MOST_TASKS)
	.required();

export const takeForm = Joi.object<{ version: number; wish: PlanWish; tasks: TakenTask[]; inTime: number }>({
	version,
	wish: wish.required(),
	tasks: takenTasks,
	inTime: Joi.number().min(0).max(1).required()
});

export const versionForm = Joi.object<{ version: number }>({ version });

export const hoursForm = Joi.object<Hours>({ opens: timeOfDay(), closes: timeOfDay() }).custom(
	(hours: Hours, helpers) =>
		hours.opens < hours.closes ? hours : helpers.message({ custom: 'it closes before it opens' })
);

/** A piece of equipment as a plan asks for it. */
export const toolForm = Joi.object<{ id: string } & ToolFigures>({
	id: id('choose a piece of equipment'),
	kind: Joi.valid(...TOOL_KINDS).required(),
	places: count(1, 60),
	capacity_g: grams({ optional: true, positive: true })
});

export const soldOutForm = Joi.object<{ id: string; place: string; productId: string; is: boolean }>({
	id: id('open the page again'),
	place: text(60, 'say where you sell'),
	productId: id('choose a product'),
	is: Joi.boolean().required()
});
