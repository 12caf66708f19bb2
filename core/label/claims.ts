/** What claims speak of. */
const NUTRIENT =
	'(?:fat|saturated fat|saturates|trans fat|salt|sodium|sugars?|carbs?|carbohydrates?|calories?|cholesterol|fibre|fiber|protein|energy|gi)';
const ALLERGEN =
	'(?:wheat|gluten|rye|barley|oats?|milk|dairy|lactose|eggs?|fish|shellfish|nuts?|tree nuts?|peanuts?|soy|soya|sesame|celery|mustard|lupin|sulphites?|sulfites?|allergens?)';

/** Of nutrition and health, which the US and the EU let be said only on their conditions. */
const CLAIMS = [
	`(?:low|lower|reduced|less|fewer|no|no added|without|without added|zero|light in|lite in|high|higher|rich|free of|free from)(?:[ -]in)?[ -]${NUTRIENT}`,
	`${NUTRIENT}[ -]free`,
	'(?:good |excellent )?source of',
	'unsweetened',
	'lite',
	'good for',
	'health(?:y|ier|ful)?',
	'wholesome',
	'nutritious',
	'superfoods?',
	'keto',
	'diabetics?',
	'diet',
	'detox',
	'immun(?:e|ity)',
	'slimming',
	'weight loss'
];
/** That something is free of an allergen, which no calculation bears out. */
const FREE_OF = [
	`${ALLERGEN}[ -]free`,
	`free (?:of|from) ${ALLERGEN}`,
	`(?:no|without|contains no) ${ALLERGEN}`,
	'free[ -]from'
];

const matcher = (patterns: readonly string[]) =>
	new RegExp(`(?<!\\p{L})(?:${patterns.join('|')})(?!\\p{L})`, 'giu');

/** What is claimed in some words, as it stands there. */
export interface Claims {
	nutrition: string[];
	freeOf: string[];
}

/** Claims in the words of a label (computation, section 10a): of nutrition or health, and of being free of an allergen. */
export function claimsIn(words: readonly string[]): Claims {
	const found = (patterns: readonly string[]) => [
		...new Set(words.flatMap((text) => [...text.matchAll(matcher(patterns))].map(([claim]) => claim)))
	];
	return { nutrition: found(CLAIMS), freeOf: found(FREE_OF) };
}
