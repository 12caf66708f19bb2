import { PEOPLE_TABLES } from './people-tables.ts';
import { SALES_TABLES } from './sales-tables.ts';

/**
 * What each column holds as the driver gives it: a whole number as a number, all else as text, also decimals, days
 * and times, so that none passes through a float. `tests/integration/tables.test.ts` holds it to the database.
 */
export const TABLES = {
	batches: {
		text: [
			'id',
			'kitchen_id',
			'product_id',
			'formula_version_id',
			'code',
			'made_on',
			'mix_gap',
			'ball_weight_g',
			'materials',
			'note',
			'created_at',
			'updated_at',
			'cooking'
		],
		textOrNull: [
			'price',
			'label_revision_id',
			'began_at',
			'closed_at',
			'heat_min',
			'hands_min',
			'used_until',
			'trial'
		],
		number: ['pack_pieces', 'rejects', 'packs_made', 'packs_sold', 'version', 'packs_given'],
		numberOrNull: [
			'serving_pieces',
			'ball_count',
			'sellable_counted',
			'packs_counted',
			'loose_counted',
			'packs_left'
		]
	},
	batch_closings: {
		text: ['id', 'kitchen_id', 'batch_id', 'input', 'recipe', 'facts', 'stages', 'reason', 'closed_at'],
		textOrNull: ['cost_batch', 'cost_piece', 'cost_pack', 'deed_id'],
		number: ['number'],
		numberOrNull: ['sellable']
	},
	batch_equipment: {
		text: ['id', 'kitchen_id', 'batch_id', 'equipment_id']
	},
	batch_events: {
		text: ['id', 'kitchen_id', 'batch_id', 'name', 'data', 'happened_at', 'received_at'],
		textOrNull: ['voids_id', 'deed_id'],
		number: ['number']
	},
	batch_lines: {
		text: ['id', 'kitchen_id', 'batch_id', 'ingredient_id', 'composition_id', 'use_as', 'stage', 'planned_g'],
		textOrNull: ['planned_uptake_g', 'most_g'],
		number: ['position', 'to_weigh']
	},
	batch_standings: {
		text: ['batch_id', 'kitchen_id', 'standing']
	},
	changes: {
		text: ['kitchen_id', 'of_table'],
		number: ['number']
	},
	cleans: {
		text: ['id', 'kitchen_id', 'equipment_id', 'cleaned_on', 'cleaned_at', 'how', 'created_at'],
		textOrNull: ['deed_id']
	},
	clean_voids: {
		text: ['id', 'kitchen_id', 'clean_id', 'reason', 'created_at'],
		textOrNull: ['deed_id']
	},
	contact_decisions: {
		text: [
			'id',
			'kitchen_id',
			'product_id',
			'allergen',
			'answer',
			'source',
			'source_words',
			'reason',
			'decided_at'
		],
		textOrNull: ['deed_id']
	},
	cost_rates: {
		text: ['id', 'kitchen_id', 'valid_from', 'created_at'],
		textOrNull: ['tariff_per_kwh', 'labour_per_hour', 'deed_id']
	},
	deleted_kitchens: {
		text: ['id', 'name', 'by_name', 'begun_at', 'deleted_at', 'went'],
		textOrNull: ['person_id']
	},
	equipment: {
		text: ['id', 'kitchen_id', 'name', 'created_at', 'kind'],
		textOrNull: ['retired_at', 'tare_g', 'power_kw', 'capacity_g'],
		number: ['places']
	},
	families: {
		text: ['id', 'kitchen_id', 'name', 'windows', 'created_at']
	},
	formulas: {
		text: ['id', 'kitchen_id', 'name', 'created_at', 'updated_at'],
		textOrNull: ['draft', 'archived_at'],
		number: ['version']
	},
	formula_lines: {
		text: ['id', 'kitchen_id', 'version_id', 'ingredient_id', 'use_as', 'stage', 'said', 'note'],
		textOrNull: ['grams', 'consumed_g', 'uptake_g', 'low_g', 'high_g', 'most_g'],
		number: ['position', 'to_weigh']
	},
	feed: { text: ['kitchen_id', 'news', 'told_at'], number: ['number'] },
	feed_heads: { text: ['kitchen_id'], number: ['number'] },
	formula_versions: {
		text: ['id', 'kitchen_id', 'formula_id', 'mix_gap', 'created_at', 'family', 'choices', 'steps', 'reason'],
		textOrNull: ['deed_id'],
		number: ['number']
	},
	ingredients: {
		text: ['id', 'kitchen_id', 'name', 'kind', 'allergens', 'allergens_evidence', 'created_at', 'updated_at'],
		textOrNull: [
			'label_us',
			'label_eu',
			'parts',
			'allergens_confirmed_on',
			'reference_id',
			'portion_g',
			'may_contain',
			'refined'
		],
		number: ['version', 'is_mix']
	},
	ingredient_compositions: {
		text: ['id', 'kitchen_id', 'ingredient_id', 'source', 'source_note', 'created_at'],
		textOrNull: [
			'water_g',
			'protein_g',
			'fat_g',
			'saturates_g',
			'transFat_g',
			'carbohydrate_g',
			'fibre_g',
			'sugars_g',
			'addedSugars_g',
			'ash_g',
			'energy_kcal',
			'cholesterol_mg',
			'sodium_mg',
			'calcium_mg',
			'iron_mg',
			'potassium_mg',
			'vitaminD_ug',
			'source_on',
			'serving_g',
			'printed',
			'intervals',
			'uncertainty_percent'
		]
	},
	ingredient_measures: {
		text: ['id', 'kitchen_id', 'ingredient_id', 'measure', 'grams', 'low_g', 'high_g', 'basis', 'created_at'],
		textOrNull: ['readings']
	},
	jobs: {
		text: ['id', 'kitchen_id', 'person_id', 'kind', 'name', 'asked', 'state', 'asked_at'],
		number: ['done', 'tries'],
		numberOrNull: ['done_of'],
		textOrNull: ['taken_by', 'taken_until', 'outcome', 'ended_at']
	},
	job_parts: { text: ['kitchen_id', 'job_id', 'side', 'bytes'], number: ['number'] },
	kitchens: {
		text: [
			'id',
			'name',
			'town',
			'time_zone',
			'currency',
			'rules',
			'scale_division_g',
			'created_at',
			'measure_set',
			'address',
			'locale',
			'state'
		],
		textOrNull: ['practice_of', 'closed_at'],
		number: ['version', 'week_starts', 'sells_short']
	},
	kitchen_usage: { text: ['kitchen_id', 'counted_at'], number: ['rows_kept', 'bytes_kept'] },
	labels: {
		text: ['id', 'kitchen_id', 'product_id', 'design', 'created_at', 'updated_at', 'rules'],
		number: ['version']
	},
	label_revisions: {
		text: [
			'id',
			'kitchen_id',
			'label_id',
			'formula_version_id',
			'declared_g',
			'content',
			'facts',
			'approved_at'
		],
		textOrNull: ['deed_id'],
		number: ['number']
	},
	local_profiles: {
		text: ['id', 'kitchen_id', 'profile', 'updated_at'],
		number: ['version']
	},
	lots: {
		text: [
			'id',
			'kitchen_id',
			'code',
			'supplier',
			'supplier_code',
			'received_on',
			'received',
			'on_hand',
			'usable',
			'note',
			'created_at'
		],
		textOrNull: ['ingredient_id', 'material', 'amount', 'best_before', 'deed_id']
	},
	lot_moves: {
		text: ['id', 'kitchen_id', 'lot_id', 'kind', 'amount', 'reason', 'moved_at'],
		textOrNull: ['batch_id', 'deed_id']
	},
	assumed_spreads: { text: ['id', 'kitchen_id', 'input', 'spread', 'note', 'created_at'] },
	laboratory_reports: {
		text: ['id', 'kitchen_id', 'product_id', 'laboratory', 'reported_on', 'found', 'note', 'created_at'],
		textOrNull: ['withdrawn_at', 'deed_id']
	},
	mix_lines: {
		text: ['id', 'kitchen_id', 'mix_id', 'ingredient_id', 'grams'],
		number: ['position']
	},
	order_changes: {
		text: ['id', 'kitchen_id', 'order_id', 'what', 'changed_at'],
		textOrNull: ['deed_id']
	},
	pack_checks: {
		text: ['id', 'kitchen_id', 'product_id', 'declared_g', 'packs_g', 'checked_at'],
		textOrNull: ['deed_id'],
		number: ['lot_packs']
	},
	place_hours: { text: ['id', 'kitchen_id', 'place', 'opens_at', 'closes_at', 'updated_at'] },
	plan_batches: { text: ['id', 'kitchen_id', 'plan_id', 'batch_id', 'make'] },
	practice_moves: {
		text: ['id', 'kitchen_id', 'verb', 'made_at'],
		textOrNull: ['at'],
		number: ['number']
	},
	practice_tries: {
		text: ['id', 'kitchen_id', 'beside_id', 'exercise', 'begun_at'],
		textOrNull: ['person_id', 'own', 'batch_id', 'finished_at', 'claims', 'outcome'],
		number: ['seed']
	},
	price_packs: {
		text: [
			'id',
			'kitchen_id',
			'ingredient_id',
			'amount',
			'grams',
			'usable',
			'bought_on',
			'supplier',
			'created_at'
		],
		textOrNull: ['deed_id']
	},
	products: {
		text: [
			'id',
			'kitchen_id',
			'formula_id',
			'piece_one',
			'piece_many',
			'category',
			'ball_weight_g',
			'materials',
			'created_at',
			'discs'
		],
		textOrNull: ['price', 'diameter_cm', 'thickness_mm'],
		number: ['pack_pieces'],
		numberOrNull: ['serving_pieces']
	},
	own_measures: {
		text: ['id', 'kitchen_id', 'name', 'kind', 'created_at'],
		textOrNull: ['millilitres', 'grams']
	},
	remembered_names: {
		text: ['id', 'kitchen_id', 'name', 'ingredient_id', 'created_at']
	},
	request_counts: { text: ['of_whom', 'minute'], number: ['number'] },
	shelf_test_days: {
		text: ['id', 'kitchen_id', 'test_id', 'found', 'created_at'],
		textOrNull: ['deed_id'],
		number: ['day', 'is_good']
	},
	shelf_test_pictures: {
		text: ['id', 'kitchen_id', 'jpeg_base64', 'created_at']
	},
	shelf_tests: {
		text: ['id', 'kitchen_id', 'product_id', 'of_what', 'made_on', 'kept_how', 'created_at']
	},
	standing_risks: {
		text: ['id', 'kitchen_id', 'allergen', 'why', 'created_at'],
		textOrNull: ['ended_at', 'deed_id']
	},
	weighings: {
		text: ['id', 'kitchen_id', 'batch_id', 'what', 'taken_at', 'taken_by'],
		textOrNull: ['line_id', 'grams', 'corrects_id', 'lot_id', 'deed_id'],
		number: ['number']
	},
	...PEOPLE_TABLES,
	...SALES_TABLES
} as const;

export type Table = keyof typeof TABLES;

/** The columns of a kind, of any of some tables. */
type Names<Kind extends string, T extends Table = Table> = {
	[N in T]: (typeof TABLES)[N] extends Record<Kind, readonly (infer Name)[]> ? Name : never;
}[T];

type AllNames<T extends Table> = {
	[N in T]: (typeof TABLES)[N][keyof (typeof TABLES)[N]];
}[T] extends infer Lists
	? Lists extends readonly (infer Name extends string)[]
		? Name
		: never
	: never;

/** What a column of a name holds, in some tables together: as wide as the widest of them. */
type Held<Name, T extends Table> =
	| (Name extends Names<'text', T> ? string : never)
	| (Name extends Names<'textOrNull', T> ? string | null : never)
	| (Name extends Names<'number', T> ? number : never)
	| (Name extends Names<'numberOrNull', T> ? number | null : never);

/** A row of a table, or what a column holds whichever of several tables it is of. */
export type RowOf<T extends Table> = { [Name in AllNames<T>]: Held<Name, T> };
