import type { Use } from '../types.ts';

/** What a line is for, in the words it was said with. */
export interface UseSaid {
	use: Use;
	words: string;
	/** Where those words stand in the text. */
	from: number;
	to: number;
}

const THE = '(?:the\\s+|a\\s+|your\\s+|our\\s+|each\\s+|every\\s+)?';
const BOARD =
	'(?:board|bench|bench\\s?top|worktop|work\\s?surface|surface|counter|counter\\s?top|table|rolling\\s+pin|pin|cloth|mesa|mesada)';
const PAN =
	'(?:(?:hot|frying|dry)\\s+)?(?:griddle|pan|skillet|tawa|tava|comal|saj|sac|plancha|hot\\s?plate|plate|iron|baking\\s+(?:sheet|tray)|tray|oven\\s+tray)s?';
const LAYER = '(?:layers?|sheets?|discs?|disks?|rounds?|folds?|stacks?|pieces?|coils?)';
const BREAD = '(?:bread|breads|roti|rotis|tortillas?|pitas?|flatbreads?|pieces?|rounds?|tops?|crust|surface)';
const BOWL = '(?:(?:proofing|proving|rising|mixing|dough|clean)\\s+)?(?:bowl|tub|container)';
const WET = '(?:wip(?:ed|ing)|grea?s(?:ed|ing)|oil(?:ed|ing)|rubb(?:ed|ing)|smear(?:ed|ing))';

/** In this order: what is said more exactly comes first, `to grease the bowl` before `to grease`. */
const SAYINGS: [Use, string][] = [
	[
		'bowl',
		`(?:(?:for|to)\\s+)?(?:grease|oil|coat|greasing|oiling|coating|lining)\\s+(?:of\\s+)?${THE}${BOWL}`
	],
	['bowl', `(?:${WET}\\s+)?(?:for|in|into|inside|around)\\s+${THE}${BOWL}`],
	['bowl', `(?:for|to)\\s+(?:oil|oiling|coat|coating|grease|greasing|rub|rubbing)\\s+${THE}(?:dough|balls?)`],
	['bowl', `(?:for|in)\\s+(?:soaking|resting)\\s+${THE}balls?`],
	[
		'layering',
		`(?:(?:spread|brushed|sprinkled|dusted|to\\s+spread|for\\s+spreading|to\\s+go)\\s+)?(?:in\\s+)?between\\s+${THE}${LAYER}`
	],
	[
		'layering',
		`(?:for|in|inside|on|over)\\s+${THE}(?:layers|layering|folds|folding|lamination|laminating|coils?)`
	],
	['layering', `(?:for|to)\\s+(?:separate|separating|stack|stacking)(?:\\s+${THE}${LAYER})?`],
	['layering', 'to\\s+(?:layer|laminate)'],
	[
		'griddle',
		`(?:(?:for|to)\\s+)?(?:grease|greasing|oil|oiling|wipe|wiping|season|seasoning)\\s+(?:of\\s+)?${THE}${PAN}`
	],
	['griddle', `(?:${WET}\\s+)?(?:for|in|into|on|onto|over|across)\\s+${THE}${PAN}`],
	[
		'brushing',
		`(?:for\\s+|to\\s+)?(?:brush|brushing|brushed|spread|spreading|smear|smearing|smeared)\\s+(?:on|over|onto)\\s+${THE}(?:(?:hot|warm|cooked|baked|finished)\\s+)?${BREAD}`
	],
	['brushing', '(?:lightly\\s+|then\\s+)?(?:brushed|glazed|basted|smeared|painted)\\s+with'],
	['brushing', '(?:for|to)\\s+(?:brush|brushing|glaze|glazing|baste|basting)(?:\\s+(?:with|on|over))?'],
	['brushing', 'zum\\s+bestreichen|para\\s+(?:barnizar|untar|pincelar)|per\\s+spennellare'],
	['dusting', '(?:lightly\\s+)?(?:dusted|floured)\\s+with|rolled\\s+(?:out\\s+)?in'],
	[
		'dusting',
		`(?:for|to)\\s+(?:dust|dusting|roll|rolling|flour|flouring|shape|shaping|press|pressing)(?:\\s+out)?(?:\\s+(?:on|onto)?\\s*${THE}(?:${BOARD}|dough|balls?|bread))?`
	],
	['dusting', `(?:for|on|onto|over)\\s+${THE}${BOARD}`],
	[
		'dusting',
		"(?:if|when|where|in\\s+case|so)\\s+(?:it|the\\s+dough|dough|they)\\s+(?:sticks?|is\\s+sticky|gets?\\s+sticky|feels?\\s+sticky|do(?:es)?(?:\\s+not|n[’']?t)\\s+stick)"
	],
	[
		'dusting',
		'(?:to\\s+(?:stop|prevent|keep)|against)\\s+(?:it\\s+|them\\s+|the\\s+dough\\s+)?(?:from\\s+)?sticking'
	],
	[
		'dusting',
		'para\\s+(?:espolvorear|enharinar|extender|estirar)|zum\\s+(?:bestäuben|ausrollen)|pour\\s+(?:fariner|saupoudrer)'
	],
	[
		'garnish',
		`(?:sprinkled|scattered|pressed|strewn)\\s+(?:on|over|onto)(?:\\s+${THE}(?:top|tops|${BREAD}))?`
	],
	['garnish', `(?:for|on|over)\\s+(?:the\\s+)?(?:top|tops|topping|toppings)(?:\\s+of\\s+${THE}${BREAD})?`],
	['garnish', '(?:topped|sprinkled|garnished|finished|strewn|scattered|decorated)\\s+with'],
	[
		'garnish',
		'(?:for|to|as|as\\s+a)\\s+(?:sprinkle|sprinkling|garnish|garnishing|finish|finishing|scatter|scattering|decorate|decorating|decoration|top|strew|serve|serving)(?:\\s+(?:over|on))?(?:\\s+(?:the\\s+)?top)?'
	],
	[
		'griddle',
		'(?:for|to)\\s+(?:shallow\\s+|pan\\s+|deep\\s+|the\\s+)?(?:fry|frying|cook|cooking|griddle|griddling|toast|toasting)'
	],
	['griddle', `(?:for|to)\\s+(?:grease|greasing|oil|oiling|wipe|wiping)(?:\\s+with)?|${WET}\\s+with`],
	['dough', '(?:for|in|into|inside)\\s+(?:the\\s+)?(?:dough|mix|mixture|batter)'],
	['dough', '(?:for|to)\\s+(?:the\\s+)?(?:knead|kneading)']
];

const PATTERNS = SAYINGS.map(([use, pattern]): [Use, RegExp] => [
	use,
	new RegExp(`(?<![\\p{L}\\p{N}])(?:${pattern})(?![\\p{L}\\p{N}])`, 'iu')
]);

/** What the text says it is for; null where it says nothing of it. */
export function useSaid(text: string): UseSaid | null {
	for (const [use, pattern] of PATTERNS) {
		const found = pattern.exec(text);
		if (found) return { use, words: found[0], from: found.index, to: found.index + found[0].length };
	}
	return null;
}
