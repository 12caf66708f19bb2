import Joi from 'joi';
import { NUTRIENTS } from '$core/composition/nutrients.ts';
import { TABLE_LINES } from '$core/rules/eu/table.ts';
import { PANEL_LINES } from '$core/rules/us/panel.ts';
import { STAGES } from '$core/squaring/stages.ts';
import { figure, figureOrNull, words } from './parts.ts';

// What was derived when it was kept, and is never derived again: newer forms say more than older ones, so what is not
// known here is let through; what pages go by has to be there, and what it is.

const some = (keys: Joi.SchemaMap) => Joi.object(keys).unknown();
const wordsOrNull = () => words().allow(null);
const figures = (...keys: string[]) =>
	some(Object.fromEntries(keys.map((key) => [key, figureOrNull()]))).required();
const amounts = some(Object.fromEntries(NUTRIENTS.map((key) => [key, figureOrNull()])));
const ids = () => Joi.array().items(Joi.string().max(60)).required();

const serving = some({
	pieces: figureOrNull(),
	fraction: wordsOrNull(),
	grams: figure(),
	text: words(),
	perContainer: wordsOrNull(),
	columns: Joi.array().items(Joi.string()).required()
});
const panel = some({
	calories: wordsOrNull(),
	...Object.fromEntries(
		PANEL_LINES.map((key) => [key, some({ amount: wordsOrNull(), dv: wordsOrNull() }).required()])
	)
});
const column = some(Object.fromEntries(TABLE_LINES.map((key) => [key, wordsOrNull()])));
const table = some({ per100g: column.required(), perPiece: column.required() });

/** What an approved label stands on: what it cost is none of it. */
export const frozen = some({
	yield: figures(
		'doughMass_g',
		'doughWeight_g',
		'pieces',
		'ballWeight_g',
		'leftoverDough_g',
		'uptake_g',
		'finishedWeight_g',
		'cookLoss',
		'finishedMoisture',
		'sellable',
		'packs',
		'loose',
		'overallYield'
	),
	formula: some({
		flour_g: figure(),
		hydration: figureOrNull(),
		effectiveHydration: figureOrNull(),
		bakersPercent: Joi.array()
			.items(some({ ingredient: words(), stage: wordsOrNull(), percent: figureOrNull() }))
			.required()
	}).required(),
	perPiece: amounts.required(),
	per100g: amounts.allow(null).required(),
	energy: figures('us_kcal', 'eu_kcal', 'eu_kJ'),
	incomplete: Joi.array()
		.items(some({ nutrient: Joi.valid(...NUTRIENTS).required(), ingredients: ids() }))
		.required(),
	serving: serving.allow(null).required(),
	panel: panel.allow(null).required(),
	panelPiece: panel,
	panelPackage: panel,
	table: table.allow(null).required(),
	statement: wordsOrNull(),
	allergens: some({ contains: ids(), text: wordsOrNull(), unconfirmed: ids() }).required(),
	notices: Joi.array()
		.items(some({ code: words(), message: words(), ingredient: wordsOrNull() }))
		.required()
}).required();

const cost = some({ batch: wordsOrNull(), perPiece: wordsOrNull(), perPack: wordsOrNull(), unpriced: ids() });
export const facts = frozen.keys({ cost: cost.required() });

/** The closings of the stages of a batch. */
export const stages = Joi.array()
	.items(
		some({
			stage: Joi.valid(...STAGES).required(),
			state: Joi.valid('squares', 'off', 'open').required(),
			gap: Joi.when('state', { is: 'open', then: Joi.any(), otherwise: figure() }),
			tolerance: Joi.when('state', { is: 'open', then: Joi.any(), otherwise: figure() }),
			unit: Joi.when('state', {
				is: 'open',
				then: Joi.any(),
				otherwise: Joi.valid('g', 'pieces', 'packs').required()
			}),
			message: Joi.when('state', { is: 'off', then: words() }),
			missing: Joi.when('state', { is: 'open', then: words() })
		})
	)
	.required();

const size = Joi.object({ width_mm: figure(), height_mm: figure() });

/** What an approved label says: drawn again as it was, whatever the rules have become. */
export const content = some({
	rules: Joi.valid('us', 'eu').required(),
	name: words(),
	netQuantity: wordsOrNull(),
	pieces: words().allow(null).optional(),
	statement: wordsOrNull(),
	declaration: wordsOrNull(),
	mayContain: words().allow(null).optional(),
	panel: some({
		serving: serving.required(),
		panel: panel.required(),
		second: some({ heading: words(), panel: panel.required() }).allow(null).required(),
		isWholePack: Joi.boolean()
	})
		.allow(null)
		.required(),
	table: some({ table: table.required(), pieceHeading: words() }).allow(null).required(),
	storage: words(),
	finishing: words().optional(),
	maker: words(),
	address: words(),
	localSentence: words().optional(),
	localLeast_pt: Joi.number().min(0).max(200).allow(null),
	bestBeforeDays: Joi.number().integer().min(0).max(10_000).allow(null).required(),
	dateKind: words(20).optional(),
	price: words(),
	barcode: some({
		digits: words(40),
		bars: Joi.array().items(Joi.number().min(1).max(20)).max(200).required()
	}).allow(null),
	size: size.required(),
	face_mm: size.allow(null),
	format: words(40).optional()
}).required();
