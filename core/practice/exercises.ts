import type { SettingName } from './setting.ts';
import type { SlipKind } from './slips.ts';

/** What the exercises teach, each counted for itself. */
export const SKILLS = [
	'weighing',
	'squaring',
	'counting',
	'dividing',
	'cooking',
	'packing',
	'allergens',
	'tracing'
] as const;
export type Skill = (typeof SKILLS)[number];

/** How far a batch is, in the order of the work; what lies before where an exercise begins, the helper did. */
export const PARTS = ['weigh', 'dough', 'divide', 'surface', 'cook', 'pack'] as const;
export type Part = (typeof PARTS)[number];

/** An exercise: its story, what is hidden in it, and what is asked of whoever works it. */
export interface Exercise {
	id: string;
	name: string;
	/** Two sentences. */
	story: string;
	goal: string;
	/** By the story’s clock. */
	minutes: number;
	skill: Skill;
	setting: SettingName;
	/** One of these is drawn by the seed. */
	slips: readonly SlipKind[];
	/** What of the batch is worked; null where none of it is. */
	works: { from: Part; to: Part } | null;
	/** Whether the batch shall be closed: squared, or with a true reason. */
	closes: boolean;
	/** From the least telling to the most. */
	hints: readonly string[];
	/** What to try next. */
	next: string;
}

export const EXERCISES: readonly Exercise[] = [
	{
		id: 'two-lines',
		name: 'Weigh a two-line dough',
		story:
			'The smallest dough there is: flour and water, into a steel bowl. The scale shows whatever stands on it, the bowl too.',
		goal: 'Weigh both lines in, then the dough, so that the mix squares.',
		minutes: 8,
		skill: 'weighing',
		setting: 'two lines',
		slips: ['none'],
		works: { from: 'weigh', to: 'dough' },
		closes: false,
		hints: [
			'The bowl weighs something before anything is in it.',
			'Put the bowl on, press Tare, pour, take the reading; after each line the scale starts at nothing by itself.'
		],
		next: 'bowl'
	},
	{
		id: 'bowl',
		name: 'The bowl in the flour',
		story:
			'Pim has weighed everything in while you unpacked the car. The mix is on the bench, and the figures look heavy.',
		goal: 'Weigh the dough, find what is wrong with a figure, and put it right.',
		minutes: 8,
		skill: 'weighing',
		setting: 'griddle',
		slips: ['bowl not tared'],
		works: { from: 'dough', to: 'dough' },
		closes: false,
		hints: [
			'One line is far from what was planned.',
			'How much too much is it? Weigh the empty bowl.',
			'Correct the flour by the weight of the bowl.'
		],
		next: 'drift'
	},
	{
		id: 'drift',
		name: 'A scale that wanders',
		story: 'The scale was left in the cold car overnight. Its figure does not stay where it was.',
		goal: 'Make the scale fit to be trusted before you weigh both lines and the dough.',
		minutes: 10,
		skill: 'weighing',
		setting: 'two lines',
		slips: ['scale drifts'],
		works: { from: 'weigh', to: 'dough' },
		closes: false,
		hints: ['Look at the pan while nothing lies on it.', 'A warm place and a new battery cure most scales.'],
		next: 'spoon'
	},
	{
		id: 'spoon',
		name: 'A spoon that is not level',
		story:
			'The formula was handed down in spoons, and the salt is still measured with one. The spoon lies in the jar, heaped.',
		goal: 'Weigh every line in to what was planned, the salt too.',
		minutes: 12,
		skill: 'weighing',
		setting: 'griddle',
		slips: ['spoon heaped'],
		works: { from: 'weigh', to: 'dough' },
		closes: false,
		hints: ['Look at what the scale says of the salt.', 'Level the spoon, and take out what is too much.'],
		next: 'by-feel'
	},
	{
		id: 'by-feel',
		name: 'Water by feel',
		story: 'The flour is from a dry week and drinks more than usual. The dough cracks when you fold it.',
		goal: 'Weigh in, add water until the dough is right, and let the record know of every gram.',
		minutes: 14,
		skill: 'weighing',
		setting: 'two lines',
		slips: ['dough dry'],
		works: { from: 'weigh', to: 'dough' },
		closes: false,
		hints: [
			'Look at the dough after mixing.',
			'Water that is added is weighed like all else: it is the water’s line again.'
		],
		next: 'salt'
	},
	{
		id: 'salt',
		name: 'The line nobody remembers',
		story:
			'Pim was called to the door in the middle of weighing in. He says everything is in the bowl, and that he wrote it all down.',
		goal: 'Weigh the dough, find out what happened, say it, and close the batch with the true reason if it cannot square.',
		minutes: 12,
		skill: 'squaring',
		setting: 'griddle',
		slips: ['line missed', 'line not in', 'line twice'],
		works: { from: 'dough', to: 'dough' },
		closes: true,
		hints: [
			'More dough than was weighed in, or less? That says which way to look.',
			'Look at the counter: what is opened, what is empty, what was never touched.',
			'The gap is near the weight of one line.'
		],
		next: 'missing-ball'
	},
	{
		id: 'missing-ball',
		name: 'The helper’s missing ball',
		story:
			'Pim divided the dough and called out a number over the noise of the fan. You wrote down what you heard.',
		goal: 'Weigh some balls and what is left over, and make the divide square.',
		minutes: 10,
		skill: 'counting',
		setting: 'griddle',
		slips: ['ball miscounted'],
		works: { from: 'divide', to: 'divide' },
		closes: false,
		hints: ['A gap near the weight of one ball is a ball.', 'Count the balls on the board.'],
		next: 'even-balls'
	},
	{
		id: 'even-balls',
		name: 'Even balls',
		story: 'The first helper of the season divides by eye. A customer who gets the small ones will tell you.',
		goal: 'Weigh the balls, and bring every one within 3 g of its weight before they rest.',
		minutes: 14,
		skill: 'dividing',
		setting: 'griddle',
		slips: ['uneven balls'],
		works: { from: 'divide', to: 'divide' },
		closes: false,
		hints: [
			'Not every ball is off: a sample may miss the ones that are.',
			'While a ball lies on the scale, pinch off or add a little dough.'
		],
		next: 'dusting'
	},
	{
		id: 'dusting',
		name: 'Flour on the board',
		story:
			'The rolling is done, and the jar of dusting flour stands where it was left. What was set out is written down, what came back is not.',
		goal: 'Let the record know how much of the dusting flour was used, and how much of it stayed on the pieces.',
		minutes: 8,
		skill: 'counting',
		setting: 'dusted',
		slips: ['flour not returned'],
		works: { from: 'surface', to: 'surface' },
		closes: false,
		hints: [
			'The jar is not empty.',
			'Weigh what is left in the jar as returned, and what you sweep from the board as swept.'
		],
		next: 'hot-piece'
	},
	{
		id: 'hot-piece',
		name: 'Hot off the plate',
		story:
			'Pim weighed four pieces the moment they came off, steam and all. The label goes by what a piece weighs when it is bagged.',
		goal: 'Find out what a finished piece weighs, and let only true weighings stand.',
		minutes: 25,
		skill: 'cooking',
		setting: 'griddle',
		slips: ['hot piece weighed'],
		works: { from: 'cook', to: 'cook' },
		closes: false,
		hints: [
			'A hot piece still gives off water.',
			'Let them cool, withdraw the hot weighings, weigh at least three again.'
		],
		next: 'short-pack'
	},
	{
		id: 'short-pack',
		name: 'A pack short',
		story: 'The packs are closed and counted, and the car leaves in ten minutes. One bag feels light.',
		goal: 'Make sure that every pack holds what it says, and that the counts are true.',
		minutes: 8,
		skill: 'packing',
		setting: 'griddle',
		slips: ['pack short', 'none'],
		works: { from: 'pack', to: 'pack' },
		closes: false,
		hints: [
			'Every pack can be weighed.',
			'The light one is a piece short; the piece lies among the loose ones.'
		],
		next: 'new-bag'
	},
	{
		id: 'new-bag',
		name: 'A bag that says more',
		story:
			'The spice mix ran out, and the shop had the same mix in a new bag. It smells the same, and nobody has read it.',
		goal: 'Read what the bags say, and let the shelf say the same before anything is sold.',
		minutes: 8,
		skill: 'allergens',
		setting: 'spiced',
		slips: ['allergen unsaid'],
		works: null,
		closes: false,
		hints: ['Read the bag of the spice mix.', 'Shelf, Spice mix: tick the allergen and save.'],
		next: 'unclean'
	},
	{
		id: 'unclean',
		name: 'What was there before',
		story:
			'A sesame bread was made this morning on the same tools. Pim is sure that everything is clean, and says so before you ask.',
		goal: 'Find out what was cleaned, say what was not or was not written down, and write down the cleans that were made.',
		minutes: 8,
		skill: 'allergens',
		setting: 'griddle',
		slips: ['not cleaned', 'clean not recorded'],
		works: null,
		closes: false,
		hints: [
			'Look at each tool yourself.',
			'A clean that was made and not written down can be noted on the batch; one that was not made must not be.'
		],
		next: 'recall'
	},
	{
		id: 'recall',
		name: 'The call at nine',
		story:
			'The mill calls at nine: one lot of flour is recalled, and three batches of the week are out. The flour bags of each batch were kept.',
		goal: 'Find every batch the lot went into, also where the record is wrong, and say which.',
		minutes: 10,
		skill: 'tracing',
		setting: 'griddle',
		slips: ['wrong lot'],
		works: null,
		closes: false,
		hints: [
			'Shelf, Lots: the recalled lot says where it went by the record.',
			'Read the bag that was kept of each batch.'
		],
		next: 'whole'
	},
	{
		id: 'whole',
		name: 'By the book',
		story:
			'A quiet morning, a whole small batch, and nobody to blame. Not every batch has something wrong with it.',
		goal: 'Work the batch from the first line to the last pack, and close it squared.',
		minutes: 60,
		skill: 'squaring',
		setting: 'griddle',
		slips: ['none'],
		works: { from: 'weigh', to: 'pack' },
		closes: true,
		hints: [
			'Each station’s square says which figure is missing.',
			'Weigh pieces cooled, and count before you pack.'
		],
		next: 'two-lines'
	}
];

export const exerciseById = (id: string): Exercise | null => EXERCISES.find((each) => each.id === id) ?? null;

/** Whether a part of the batch is the learner’s. */
export const isWorked = (works: NonNullable<Exercise['works']>, part: Part): boolean =>
	PARTS.indexOf(part) >= PARTS.indexOf(works.from) && PARTS.indexOf(part) <= PARTS.indexOf(works.to);
