import { withoutParenthesis } from '../../formula/naming.ts';

/** Words of a food's name that do not single out an ingredient. */
const COMMON_WORDS = new Set([
	'and',
	'with',
	'the',
	'half',
	'flour',
	'bread',
	'flatbread',
	'oil',
	'water',
	'seed',
	'white'
]);

/** Different words for one thing: a food named by one of them names the ingredient called by another. */
const SAME: readonly (readonly string[])[] = [
	['maize', 'corn', 'cornmeal', 'masa'],
	['wholemeal', 'wholewheat', 'wholegrain', 'atta'],
	['chickpea', 'garbanzo', 'besan'],
	['beet', 'beetroot'],
	['oat', 'oatmeal'],
	['sesame', 'tahini'],
	['wheat', 'wheatgerm'],
	['spinach', 'palak'],
	['fenugreek', 'methi'],
	['cumin', 'jeera'],
	['potato', 'aloo'],
	['millet', 'bajra'],
	['sorghum', 'jowar'],
	['yogurt', 'yoghurt', 'curd'],
	['coriander', 'cilantro']
];
const MEANING = new Map(SAME.flatMap((words) => words.map((word) => [word, words[0] ?? word] as const)));

/** Whether the name of a food names an ingredient by what it is (Regulation 1169/2011 Article 22(1)(a)). */
export function isNamed(ingredientName: string, foodName: string): boolean {
	const inName = meanings(foodName);
	return meanings(withoutParenthesis(ingredientName)).some((word) => inName.includes(word));
}

function meanings(text: string): string[] {
	return text
		.toLowerCase()
		.split(/[^\p{L}]+/u)
		.map(singular)
		.filter((word) => word.length >= 3 && !COMMON_WORDS.has(word))
		.map((word) => MEANING.get(word) ?? word);
}

const singular = (word: string): string =>
	word
		.replace(/(?<=.{2})ies$/, 'y')
		.replace(/(?<=.{2}o)es$/, '')
		.replace(/(?<!s)s$/, '');
