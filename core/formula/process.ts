import type { Family, Windows } from './families.ts';
import type { MixGap } from './types.ts';

/** What a step is; timers and stations go by it. */
export const STEP_KINDS = [
	'sponge',
	'mix',
	'knead',
	'rest',
	'divide',
	'rest balls',
	'shape',
	'layer',
	'cook first side',
	'cook second side',
	'finish',
	'hold',
	'cool',
	'pack',
	'store',
	'other'
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** One step of the process: how long, how hot where it matters, and the cue to look for. */
export interface Step {
	kind: StepKind;
	text: string;
	minutesLow: number | null;
	minutesHigh: number | null;
	temperature_c: number | null;
	cue: string;
}

/** Where makers disagree, each is a choice; the first option stands until another is made (section 3). */
export const CHOICES = {
	leavening: ['neither', 'baking powder', 'baking soda', 'yeast'],
	fat: ['none', 'lard', 'shortening', 'butter', 'liquid oil'],
	water: ['warm', 'cold', 'boiling'],
	ferment: ['direct', 'sponge first'],
	kneading: ['by hand', 'by machine'],
	held: ['the same day', 'overnight in the cold', 'for days in the cold'],
	balls: ['covered', 'oiled', 'soaked in oil'],
	opening: ['rolled', 'pressed', 'opened by hand', 'rolled in a stack, peeled apart'],
	griddle: ['dry', 'oiled'],
	cooking: ['griddle', 'oven', 'griddle, finished on a flame', 'not cooked: a dry mix in jars'],
	sold: ['fully cooked', 'part-cooked, the customer finishes', 'warm or for the day'],
	storage: ['shelf', 'chilled', 'frozen']
} as const;
export type ChoiceKey = keyof typeof CHOICES;
export type Choices = { [K in ChoiceKey]?: (typeof CHOICES)[K][number] };
export type Cooking = (typeof CHOICES)['cooking'][number];

/** What a dry mix is chosen as: it is weighed into jars, and nothing of it is heated here. */
export const UNCOOKED: Cooking = 'not cooked: a dry mix in jars';

/** Ways of cooking that a batch may take in the place of its formula's. */
export const COOKINGS = CHOICES.cooking.filter((each) => each !== UNCOOKED);

/** The choices with every one that was not made at its first option. */
export function choicesOf(made: Choices): Required<Choices> {
	return Object.fromEntries(
		(Object.keys(CHOICES) as ChoiceKey[]).map((key) => [key, made[key] ?? CHOICES[key][0]])
	) as Required<Choices>;
}

/** What the choices change: windows, steps, the cautions to show, and what becomes of the mix gap. */
export interface Process {
	windows: Windows;
	steps: Step[];
	cautions: string[];
	mixGap: MixGap;
}

/** Points of hydration that scalded flour takes more: the two tortilla families differ by it. */
const BOILING_POINTS = 5;

/** The process of a family as chosen. Windows are advice; steps are a start to be changed. */
export function processOf(family: Family | null, made: Choices): Process {
	const choices = choicesOf(made);
	return {
		windows: windowsOf(family, choices),
		steps: stepsOf(family, choices),
		cautions: cautionsOf(choices),
		mixGap: choices.water === 'boiling' ? 'evaporation' : 'residue'
	};
}

function windowsOf(family: Family | null, choices: Required<Choices>): Windows {
	if (!family || choices.cooking === UNCOOKED) return {};
	const windows: Windows = { ...family.windows };
	const hydration = windows.hydration;
	if (hydration && choices.water === 'boiling' && family.id !== 'tortilla-hot-water')
		windows.hydration = {
			...hydration,
			low: hydration.low + BOILING_POINTS,
			high: hydration.high + BOILING_POINTS,
			below: `${hydration.below}; scalded flour takes more water`
		};
	if (choices.fat === 'none' && windows.fat)
		windows.fat = { low: 0, high: 0, below: '', above: 'chosen without fat in the dough' };
	if (choices.leavening === 'baking soda')
		windows.leavening = { low: 0, high: 1, below: '', above: 'much soda: soapy and brown' };
	if (choices.leavening === 'neither' && windows.leavening)
		windows.leavening = { low: 0, high: 0, below: '', above: 'chosen without baking powder or soda' };
	if (choices.ferment === 'sponge first')
		windows.prefermented = {
			low: 15,
			high: 50,
			below: 'a small sponge: little of its flavour comes through',
			above: 'a large sponge: the dough turns sour and slack sooner'
		};
	return windows;
}

const step = (
	kind: StepKind,
	text: string,
	minutes: [low: number, high: number] | null,
	cue: string,
	temperature_c: number | null = null
): Step => ({
	kind,
	text,
	minutesLow: minutes?.[0] ?? null,
	minutesHigh: minutes?.[1] ?? null,
	temperature_c,
	cue
});

const STACKED = 'rolled in a stack, peeled apart';

const OPENING: Record<Required<Choices>['opening'], string> = {
	rolled: 'Roll out, turning',
	pressed: 'Press between sheets',
	'opened by hand': 'Open by hand',
	[STACKED]: 'Roll the stack out as one'
};

const BALLS: Record<Required<Choices>['balls'], Step> = {
	covered: step('rest balls', 'Cover the balls and rest them', [15, 30], 'flatten without springing back'),
	oiled: step('rest balls', 'Oil the balls, cover and rest them', [20, 60], 'slack, shine all over'),
	'soaked in oil': step(
		'rest balls',
		'Lay the balls in oil and rest them; let them drip before they are opened',
		[60, 240],
		'stretch thin without tearing'
	)
};

/** Dough that is kept: how long and how cold, and until when it is good. */
const HELD: Record<Required<Choices>['held'], Step[]> = {
	'the same day': [],
	'overnight in the cold': [
		step(
			'rest',
			'Hold it covered in the cold overnight',
			[8 * 60, 18 * 60],
			'cold through, no grey spots',
			4
		),
		step('rest', 'Let it come to the room', [30, 90], 'gives under a finger', 20)
	],
	'for days in the cold': [
		step(
			'rest',
			'Hold it covered and dated in the cold',
			[24 * 60, 72 * 60],
			'no grey or pink, no sour smell it should not have',
			4
		),
		step('rest', 'Let it come to the room', [30, 90], 'gives under a finger', 20)
	]
};

/** A dry mix is weighed, mixed and put into jars: there is no dough and no heat. */
const stepsOfMix = (): Step[] => [
	step('mix', 'Sift and mix everything dry until it is even', [3, 6], 'one colour, no lumps'),
	step('pack', 'Fill the jars to the weight, close and date them', null, 'weight on the declared side'),
	step('store', 'Keep dry and dark', null, 'closed, no damp')
];

function stepsOf(family: Family | null, choices: Required<Choices>): Step[] {
	if (choices.cooking === UNCOOKED) return stepsOfMix();
	const yeasted = choices.leavening === 'yeast' || family?.id === 'pita' || family?.id === 'enriched';
	const layered = family?.id === 'layered' || family?.id === 'stack-rolled';
	const steps: Step[] = [];
	if (choices.ferment === 'sponge first')
		steps.push(
			step('sponge', 'Mix the sponge and let it work', [15, 60], 'bubbles over the whole surface', 26)
		);
	steps.push(
		choices.water === 'boiling'
			? step(
					'mix',
					'Pour the boiling water over the flour, stir with a spoon, let it cool',
					[10, 20],
					'no dry flour, cool enough to hold',
					100
				)
			: step(
					'mix',
					`Mix dry and fat, then the ${choices.water} water`,
					[3, 6],
					'no dry flour left',
					choices.water === 'warm' ? 40 : 15
				),
		step(
			'knead',
			`Knead ${choices.kneading}`,
			choices.kneading === 'by hand' ? [6, 12] : [4, 8],
			'dull to smooth, springs back slowly'
		),
		yeasted
			? step('rest', 'Cover and let it rise', [45, 90], 'half as large again, bubbles under the skin', 26)
			: step('rest', 'Cover and rest', [20, 30], 'a finger’s mark stays'),
		...HELD[choices.held],
		step('divide', 'Divide into balls, first made first rolled', null, 'each within the tolerance'),
		BALLS[choices.balls]
	);
	if (choices.opening === STACKED)
		steps.push(
			step(
				'layer',
				'Flatten, brush each round but the last with fat, dust it, and stack them',
				[2, 5],
				'fat to the edge, flour over all of it'
			)
		);
	else if (layered)
		steps.push(
			step('layer', 'Open, spread the fat, fold or stack, rest again', [10, 15], 'fat does not break through')
		);
	steps.push(step('shape', OPENING[choices.opening], [1, 2], 'even, edge no thicker than the middle'));
	if (choices.cooking === 'oven')
		steps.push(
			step('cook first side', 'Bake on a hot stone or tray', [2, 4], 'puffs, brown spots below', 250)
		);
	else
		steps.push(
			step(
				'cook first side',
				`First side on the ${choices.griddle} griddle`,
				[0.5, 1],
				choices.griddle === 'dry' ? 'bubbles, the edge lifts' : 'bubbles, slides in the pan',
				choices.griddle === 'dry' ? 260 : 220
			),
			step('cook second side', 'Turn; second side', [0.5, 1.5], 'brown spots, slides in the pan', null)
		);
	if (choices.cooking === 'griddle, finished on a flame')
		steps.push(step('finish', 'Puff on the flame with tongs', [0.1, 0.3], 'balloons, edges colour'));
	if (choices.opening === STACKED)
		steps.push(
			step('finish', 'Peel the sheets apart while they are hot', [0.5, 2], 'they part without tearing')
		);
	if (choices.sold === 'part-cooked, the customer finishes')
		steps.push(step('finish', 'Take off pale, before it browns', null, 'set, pale, no raw flour to see'));
	steps.push(
		step('hold', 'Stack in a cloth', [5, 15], 'soft, no wet drops'),
		step('cool', 'Spread out and cool through', [20, 40], 'no warmer than the room, dry to the touch'),
		step('pack', 'Pack and close', null, 'weight on the declared side')
	);
	if (choices.storage !== 'shelf')
		steps.push(
			choices.storage === 'chilled'
				? step('store', 'Chill', [60, 120], 'cold through', 4)
				: step('store', 'Freeze flat', [180, 360], 'hard through', -18)
		);
	return steps;
}

/** The steps of a batch that is cooked otherwise than its formula says: those at the heat are of that way. */
export function stepsCooked(
	steps: readonly Step[],
	family: Family | null,
	made: Choices,
	cooking: Cooking | null
): Step[] {
	if (cooking === null || cooking === choicesOf(made).cooking || steps.length === 0) return [...steps];
	const atHeat = (each: Step) => each.kind === 'cook first side' || each.kind === 'cook second side';
	const isFlame = (each: Step) => each.kind === 'finish' && /flame/i.test(each.text);
	const from = steps.findIndex(atHeat);
	const rest = steps.filter((each) => !atHeat(each) && !isFlame(each));
	const now = processOf(family, { ...made, cooking }).steps.filter((each) => atHeat(each) || isFlame(each));
	const place = from < 0 ? rest.length : from;
	return [...rest.slice(0, place), ...now, ...rest.slice(place)];
}

/** Cautions that go with the choices (section 14). */
function cautionsOf(choices: Required<Choices>): string[] {
	const cautions = ['Raw flour and raw dough are not eaten: no tasting before it is cooked.'];
	if (choices.cooking === UNCOOKED)
		return [
			...cautions,
			'A jar of dry mix holds raw flour: its label says how to cook it, and that it is not eaten before.',
			'A dry mix is another kind of food than bread: its serving and what it is made into have rules of their own. Ask your authority before you sell it.'
		];
	if (choices.held !== 'the same day')
		cautions.push(
			'Held dough stays at 4 °C or colder, covered and dated; what smells wrong, greys or bubbles unasked is thrown away. How long it may be held is a question for your authority.'
		);
	if (choices.balls === 'soaked in oil')
		cautions.push(
			'Oil that dough lay in is eaten with it, and spoils: weigh what is set out and what goes back, keep it cold, and do not use it for another bread.'
		);
	if (choices.opening === STACKED)
		cautions.push('A stack from the griddle holds steam: peel it with a cloth or tongs, away from the face.');
	if (choices.water === 'boiling')
		cautions.push('Boiling water and the dough made with it burn: a spoon first, hands when it has cooled.');
	if (choices.cooking !== 'oven')
		cautions.push(
			choices.griddle === 'dry'
				? 'A dry griddle runs near 260 °C: tongs, sleeves back.'
				: 'Hot oil spatters: dry hands, a little oil at a time, sleeves back.'
		);
	if (choices.cooking === 'griddle, finished on a flame')
		cautions.push('Open flame: tongs, sleeves back, towel away from the flame.');
	if (choices.cooking === 'oven')
		cautions.push('The oven and stone burn: gloves, and stand aside when it opens.');
	cautions.push('Cool pieces before closing the pack: trapped steam brings mould.');
	if (choices.sold === 'part-cooked, the customer finishes')
		cautions.push(
			'Part-cooked bread is not ready to eat: the label must say how to finish it, and your authority may treat it as another kind of food.'
		);
	if (choices.sold === 'warm or for the day')
		cautions.push(
			'Sold warm or for the day: the net quantity and the figures are of cooled pieces all the same, a closed bag of warm bread moulds, and your authority may take it for a meal or a bakery’s loose bread, with rules of its own.'
		);
	if (choices.storage !== 'shelf')
		cautions.push(
			'Cold storage must stay cold until it is sold: ask your authority what it asks of chilled or frozen food.'
		);
	if (choices.fat === 'butter') cautions.push('Dairy in or on the bread shortens its life.');
	return cautions;
}
