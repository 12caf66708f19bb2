import { looksOf } from './looking.ts';
import type { Move, World } from './move.ts';
import { isWorked, type Part } from './exercises.ts';
import type { Truth } from './truth.ts';
import { looseNow, madeNow, wentIn_g } from './world.ts';

/** A move that can be made now, in words. */
export interface Hand {
	move: Move;
	words: string;
	/** Where it belongs among the others. */
	part: Part | 'look';
}

const is = ({ works }: Truth, part: Part): boolean => works !== null && isWorked(works, part);
const placeOf = (lying: string | null, what: string): number =>
	lying?.startsWith(`${what} `) ? Number(lying.split(' ')[1]) : 0;

/** Everything hands and eyes can do now. */
export function handsOf(truth: Truth, world: World): Hand[] {
	const looks = looksOf(truth).map(({ at, words }): Hand => ({
		move: { do: 'look', at },
		words,
		part: 'look'
	}));
	return [
		...(is(truth, 'weigh') ? pouring(truth, world) : []),
		...(hasDough(truth, world) ? atTheBench(truth, world) : []),
		...(world.lying === null ? [] : [hand('clear', null, 'Take it off the scale', 'dough')]),
		...looks
	];
}

const hasDough = (truth: Truth, world: World): boolean =>
	truth.works !== null &&
	wentIn_g(world) > 0 &&
	truth.lines.every(({ ingredient }) => truth.works?.from !== 'weigh' || (world.went_g[ingredient] ?? 0) > 0);

const hand = (verb: Move['do'], at: string | null, words: string, part: Hand['part']): Hand => ({
	move: { do: verb, at },
	words,
	part
});

function pouring(truth: Truth, world: World): Hand[] {
	const part = 'weigh';
	const cures = world.wanders ? [hand('battery', null, 'Warm the scale, new battery', part)] : [];
	if (!world.bowlOn) return [hand('bowl on', null, 'Put the bowl on', part), ...cures];
	return [
		...cures,
		...(world.isHeaped ? [hand('level', null, 'Level the spoon', part)] : []),
		...truth.lines.flatMap(({ ingredient, name }) =>
			(world.went_g[ingredient] ?? 0) === 0
				? [hand('pour', ingredient, `Pour ${name.toLowerCase()}`, part)]
				: ingredient !== world.poured
					? []
					: [
							hand('pour more', ingredient, `${name}, a little more`, part),
							hand('take out', ingredient, `${name}, a little less`, part)
						]
		),
		hand('bowl off', null, 'Take the bowl off', part)
	];
}

function atTheBench(truth: Truth, world: World): Hand[] {
	const made = madeNow(truth, world);
	const hands: Hand[] = [];
	const lay = (at: string, words: string, part: Part) => {
		if (is(truth, part) && world.lying !== at) hands.push(hand('lay', at, words, part));
	};
	const next = (what: string, of: number, words: string, part: Part) => {
		const place = placeOf(world.lying, what) + 1;
		lay(`${what} ${place > of ? 1 : place}`, `${words} ${place > of ? 1 : place}`, part);
	};
	lay('dough', 'Lay the dough on', 'dough');
	next('ball', made.balls_g.length, 'Lay on ball', 'divide');
	if (is(truth, 'divide') && placeOf(world.lying, 'ball') > 0)
		hands.push(
			hand('pinch', null, 'Pinch a little off', 'divide'),
			hand('add dough', null, 'Add a little dough', 'divide')
		);
	lay('leftover', 'Lay on what is left over', 'divide');
	if (truth.works?.from === 'surface') {
		lay('jar', 'Lay on the jar’s flour', 'surface');
		lay('sweepings', 'Lay on what is swept up', 'surface');
	}
	if (is(truth, 'cook')) {
		next('piece', made.pieces_g.length, 'Lay on piece', 'cook');
		hands.push(hand('cool', null, 'Let the pieces cool, 15 minutes', 'cook'));
	}
	if (is(truth, 'pack')) {
		next('pack', made.packs.length, 'Lay on pack', 'pack');
		const place = placeOf(world.lying, 'pack');
		if (place > 0 && looseNow(made, world) > 0)
			hands.push(hand('fill', `pack ${place}`, `Put a loose piece into pack ${place}`, 'pack'));
	}
	return hands;
}

/** Whether a move can be made now. */
export const canDo = (truth: Truth, world: World, move: Move): boolean =>
	move.do === 'hint' ||
	handsOf(truth, world).some((each) => each.move.do === move.do && each.move.at === move.at);
