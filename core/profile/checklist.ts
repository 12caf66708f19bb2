/** What to ask the authority before the first sale, in the order one would. */
export const CHECKLIST = [
	{
		key: 'foods',
		question:
			'Which foods may be made at home and sold? Are flatbreads brushed with butter, layered with fat, or made with egg, yogurt or cheese among them?'
	},
	{
		key: 'kitchen',
		question:
			'Does the kitchen have to be registered, inspected or kept apart from the household’s? What about pets, children and a private well?'
	},
	{
		key: 'permit',
		question:
			'Which permit or registration is needed, what does it cost, when does it lapse, and does its number have to stand on the label?'
	},
	{ key: 'training', question: 'Is a food-handling course or certificate asked for, and of whom?' },
	{
		key: 'sentence',
		question:
			'Does a sentence about a home kitchen have to stand on the label? In which words, where, and how large?'
	},
	{
		key: 'address',
		question: 'Does the label need the street address, or will a number do in its place?'
	},
	{
		key: 'panel',
		question:
			'May the nutrition panel be left out, up to how many packs or which turnover, and what would end that: a claim such as “low fat”?'
	},
	{
		key: 'allergens',
		question:
			'How must allergens be told for packs, and how for pieces sold loose? What is expected where equipment is shared?'
	},
	{
		key: 'dates',
		question:
			'Which date is asked for, and what has to bear out a shelf life: your own records, or a laboratory?'
	},
	{
		key: 'channels',
		question:
			'Where may it be sold: from the door, at markets, delivered, by post, to shops or cafés, over a border?'
	},
	{ key: 'limit', question: 'Is there a yearly limit of sales, and which sales count towards it?' },
	{ key: 'records', question: 'Which records have to be kept, and for how long?' },
	{
		key: 'exemption',
		place: 'us',
		question:
			'Which exemption from the panel is yours: by yearly sales, or by people and units sold, which has to be filed each year? Which claims would end it?'
	},
	{
		key: 'bioengineered',
		place: 'us',
		question: 'Does the bioengineered disclosure apply to you, or are you small enough to be exempt from it?'
	},
	{
		key: 'useBy',
		place: 'eu',
		question:
			'Is it “best before” or, for what spoils fast, “use by”? Does a product that was frozen have to say “defrosted”, and which words on keeping it are asked for?'
	},
	{
		key: 'language',
		place: 'eu',
		question:
			'Which language, which name of the food and which address (in the EU, or in the UK) have to stand there where you sell?'
	},
	{
		key: 'origin',
		place: 'eu',
		question:
			'Does a name or a picture suggest a place, so that the origin of the main ingredient has to be told where it is another?'
	},
	{
		key: 'packed',
		place: 'eu',
		question:
			'Is it packed before it is ordered where it is sold, which asks for a full list with its allergens, or sold loose? Does the flour list what the law adds to it?'
	}
] as const satisfies readonly { key: string; question: string; place?: string }[];

/** The questions of a kitchen that goes by some rules. */
export const checklistOf = (rules: string): readonly Question[] =>
	(CHECKLIST as readonly Question[]).filter(({ place }) => place === undefined || place === rules);

export interface Question {
	key: ChecklistKey;
	question: string;
	/** The rule set that asks it, by name; left out, all do. */
	place?: string;
}

export type ChecklistKey = (typeof CHECKLIST)[number]['key'];
