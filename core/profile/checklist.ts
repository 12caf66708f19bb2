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
	{ key: 'records', question: 'Which records have to be kept, and for how long?' }
] as const;

export type ChecklistKey = (typeof CHECKLIST)[number]['key'];
