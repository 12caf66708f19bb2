import Joi from 'joi';
import {
	COUNTED,
	OF_A_LINE,
	REJECT_REASONS,
	WEIGHED,
	type Entry,
	type Happening,
	MOST_AT_ONCE
} from '$core/bench/entries.ts';
import { ID, id, day } from './fields.ts';

const MOST_GRAMS = 1_000_000;
const MOST_PIECES = 100_000;
const MOST_STEPS = 200;
export const MOST_ENTRIES = 1000;

const entryId = () => id('not an entry');
/** ISO 8601 in UTC, as browsers write it: times of one shape compare as text. */
const at = () =>
	Joi.string()
		.pattern(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/)
		.isoDate()
		.required();
const orNull = (schema: Joi.Schema) => schema.allow(null).required();
/** The server numbers what it keeps, whatever a device says of it. */
const number = () => Joi.any().strip();
const pieces = () => Joi.number().integer().min(0).max(MOST_PIECES);

const weighing = Joi.object<Entry>({
	kind: Joi.valid('weighing').required(),
	id: entryId(),
	at: at(),
	number: number(),
	what: Joi.valid(...WEIGHED).required(),
	lineId: Joi.when('what', {
		is: Joi.valid(...OF_A_LINE),
		then: id('choose the line it is of'),
		otherwise: Joi.valid(null).required()
	}),
	grams: Joi.when('corrects', {
		is: Joi.valid(null),
		then: Joi.number().min(0).max(MOST_GRAMS).precision(3).required(),
		otherwise: orNull(Joi.number().min(0).max(MOST_GRAMS).precision(3))
	}),
	corrects: orNull(Joi.string().pattern(ID)),
	by: Joi.valid('scale', 'typed').required(),
	lotId: Joi.when('lineId', {
		is: Joi.valid(null),
		then: Joi.valid(null),
		otherwise: Joi.string().pattern(ID).allow(null)
	})
});

/** Words at the bench, trimmed here: nothing is refused for a space at its end. */
const said = (most: number) =>
	Joi.string()
		.allow('')
		.default('')
		.max(most)
		.custom((text: string) => text.trim());

/** What each happening says besides its name. */
export const HAPPENINGS: Record<Happening['name'], Joi.SchemaMap> = {
	'step begun': { step: Joi.number().integer().min(0).max(MOST_STEPS).required() },
	'step ended': { step: Joi.number().integer().min(0).max(MOST_STEPS).required() },
	'piece rejected': { reason: Joi.valid(...REJECT_REASONS).required() },
	'pieces on': { count: pieces().min(1).required() },
	'pieces done': { count: pieces().min(1).required() },
	'surface temperature': { temperature_c: Joi.number().min(-30).max(700).required() },
	noted: { cue: said(80), text: said(500) },
	counted: { of: Joi.valid(...COUNTED).required(), count: orNull(pieces()) },
	'line kept': { lineId: entryId() },
	'rest scaled': {
		factor: Joi.number().greater(0).max(100).required(),
		lineIds: Joi.array().items(entryId().optional()).required()
	},
	'at once': { count: Joi.number().integer().min(1).max(MOST_AT_ONCE).required() },
	'part-cooked': { is: Joi.boolean().required() },
	'short pack': { pieces: pieces().min(1).required() },
	'best before': { day: Joi.alternatives(Joi.valid(null), day()).required() },
	void: {}
};

const happening = Joi.alternatives(
	...Object.entries(HAPPENINGS).map(([name, more]) =>
		Joi.object({ name: Joi.valid(name).required(), ...more })
	)
);

const event = Joi.object<Entry>({
	kind: Joi.valid('event').required(),
	id: entryId(),
	at: at(),
	number: number(),
	happening: happening.required(),
	voids: Joi.when('happening.name', {
		is: 'void',
		then: Joi.string().pattern(ID).required(),
		otherwise: Joi.valid(null).required()
	})
});

/** The schema of an entry as a device sends it, without a number yet. */
export const entryForm = (entry: { kind?: unknown }): Joi.ObjectSchema<Entry> =>
	entry.kind === 'event' ? event : weighing;
