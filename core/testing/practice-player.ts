import type { Counted } from '../bench/entries.ts';
import { isWorked, type Exercise, type Part } from '../practice/exercises.ts';
import { notedBefore } from '../practice/helper.ts';
import type { Move, World } from '../practice/move.ts';
import type { Claim } from '../practice/slips.ts';
import { recallOf } from '../practice/recall.ts';
import { BOWL, type Truth } from '../practice/truth.ts';
import { afterMove, ballNow_g, beginning, madeNow, scaleNow, looseNow } from '../practice/world.ts';
import type { Worked } from '../practice/worked.ts';
import { closings } from '../squaring/closings.ts';

type Weighed = 'line' | 'dough' | 'ball' | 'leftover' | 'finished' | 'returned' | 'swept';

/** What a player does, beside the moves of its hands: at the stations, on the shelf, and at the end. */
export type Deed =
	| { do: 'move'; move: Move }
	| { do: 'weigh'; what: Weighed; ingredient: string | null; grams: number }
	| { do: 'correct'; ingredient: string; grams: number }
	| { do: 'withdraw'; what: 'finished' }
	| { do: 'count'; of: Counted; count: number }
	| { do: 'declare'; ingredient: string; tag: string }
	| { do: 'clean'; tool: string }
	| { do: 'say'; claim: Claim }
	| { do: 'close' };

/** Somebody at work: every deed moves the kitchen on. */
class Player {
	readonly deeds: Deed[] = [];
	world: World;

	constructor(readonly truth: Truth) {
		this.world = beginning(truth);
	}
	move(verb: Move['do'], at: string | null = null): void {
		const move = { do: verb, at };
		this.deeds.push({ do: 'move', move });
		this.world = afterMove(this.truth, this.world, move);
	}
	get load_g(): number {
		return scaleNow(this.truth, this.world).load_g;
	}
	weigh(what: Weighed, grams: number, ingredient: string | null = null): void {
		this.deeds.push({ do: 'weigh', what, ingredient, grams: Math.round(grams * 10) / 10 });
	}
	does(part: Part): boolean {
		const { works } = this.truth;
		return works !== null && isWorked(works, part);
	}
}

/** What somebody would do who knows the truth: everything right, and what was hidden said. */
export function perfectDeeds(exercise: Exercise, truth: Truth): Deed[] {
	const player = new Player(truth);
	const { slip } = truth.slip;
	if (slip === 'scale drifts') player.move('battery');
	if (player.does('weigh')) weighIn(player, true);
	if (player.does('dough')) {
		player.move('lay', 'dough');
		player.weigh('dough', player.load_g);
	}
	if (slip === 'bowl not tared') {
		const [first] = truth.lines;
		if (first)
			player.deeds.push({
				do: 'correct',
				ingredient: first.ingredient,
				grams: (first.recorded_g ?? 0) - BOWL.tare_g
			});
	}
	if (player.does('divide')) divide(player, slip === 'uneven balls');
	if (truth.works?.from === 'surface')
		for (const [thing, what] of [
			['jar', 'returned'],
			['sweepings', 'swept']
		] as const) {
			player.move('lay', thing);
			player.weigh(what, player.load_g, 'flour');
		}
	if (player.does('cook')) {
		player.deeds.push({ do: 'withdraw', what: 'finished' });
		player.move('cool');
		for (let piece = 1; piece <= 8; piece++) {
			player.move('lay', `piece ${piece}`);
			player.weigh('finished', player.load_g);
		}
	}
	if (player.does('pack')) {
		if (truth.shortPack !== null) {
			player.move('lay', `pack ${truth.shortPack}`);
			player.move('fill', `pack ${truth.shortPack}`);
		}
		countPacks(player);
	}
	if (truth.newly) player.deeds.push({ do: 'declare', ...truth.newly });
	if (slip === 'clean not recorded') player.deeds.push({ do: 'clean', tool: truth.slip.subject ?? '' });
	player.deeds.push({ do: 'say', claim: truth.slip });
	for (const batch of recallOf(truth, [truth.slip]).missed)
		player.deeds.push({ do: 'say', claim: { slip: 'holds the lot', subject: batch } });
	if (exercise.closes) player.deeds.push({ do: 'close' });
	return player.deeds;
}

/** What somebody does who takes every reading as it comes, looks at nothing, and says that all is well. */
export function carelessDeeds(exercise: Exercise, truth: Truth): Deed[] {
	const player = new Player(truth);
	if (player.does('weigh')) weighIn(player, false);
	if (player.does('dough')) {
		player.move('lay', 'dough');
		player.weigh('dough', player.load_g);
	}
	if (player.does('divide')) {
		for (let ball = 1; ball <= 3; ball++) {
			player.move('lay', `ball ${ball}`);
			player.weigh('ball', player.load_g);
		}
		player.move('lay', 'leftover');
		player.weigh('leftover', player.load_g);
		if (truth.works?.from !== 'divide')
			player.deeds.push({ do: 'count', of: 'balls', count: madeNow(truth, player.world).balls_g.length });
	}
	if (player.does('cook'))
		for (let piece = 1; piece <= 3; piece++) {
			player.move('lay', `piece ${piece}`);
			player.weigh('finished', player.load_g);
		}
	if (player.does('pack') && truth.works?.from !== 'pack') countPacks(player);
	player.deeds.push({ do: 'say', claim: { slip: 'none', subject: null } });
	if (exercise.closes) player.deeds.push({ do: 'close' });
	return player.deeds;
}

/** Every line into the bowl, the scale at nothing before each; the careless leave the bowl in the first figure, and drift in all. */
function weighIn(player: Player, isCareful: boolean): void {
	const { truth } = player;
	const drift_g = () => (player.world.wanders ? scaleNow(truth, player.world).drift_gPerMinute / 2 : 0);
	player.move('bowl on');
	let taken_g = isCareful ? BOWL.tare_g : 0;
	for (const { ingredient, name, planned_g } of truth.lines) {
		if (isCareful && name === truth.slip.subject && player.world.isHeaped) player.move('level');
		player.move('pour', ingredient);
		player.weigh('line', player.load_g - taken_g + drift_g(), ingredient);
		taken_g = player.load_g;
		// More water until the dough is right, weighed as it goes in.
		while (
			isCareful &&
			ingredient === 'water' &&
			(player.world.went_g.water ?? 0) < planned_g + truth.thirst_g - 4
		) {
			player.move('pour more', ingredient);
			player.weigh('line', player.load_g - taken_g, ingredient);
			taken_g = player.load_g;
		}
	}
}

function divide(player: Player, isUneven: boolean): void {
	const { truth } = player;
	const aim_g = truth.setting.recipe.product.ballWeight_g ?? 0;
	const balls = madeNow(truth, player.world).balls_g.length;
	for (let ball = 1; ball <= (isUneven ? balls : 12); ball++) {
		player.move('lay', `ball ${ball}`);
		for (let tries = 0; isUneven && tries < 6; tries++) {
			const off_g = ballNow_g(madeNow(truth, player.world), player.world, ball) - aim_g;
			if (Math.abs(off_g) <= 2) break;
			player.move(off_g > 0 ? 'pinch' : 'add dough');
		}
		player.weigh('ball', player.load_g);
	}
	player.move('lay', 'leftover');
	player.weigh('leftover', player.load_g);
	player.move('look', 'board');
	player.deeds.push({ do: 'count', of: 'balls', count: balls });
}

function countPacks(player: Player): void {
	const made = madeNow(player.truth, player.world);
	const counts: [Counted, number][] = [
		['rejects', 0],
		['sellable', made.balls_g.length],
		['packs', made.packs.length],
		['loose', looseNow(made, player.world)]
	];
	for (const [of, count] of counts) player.deeds.push({ do: 'count', of, count });
}

/** The record, the shelf and what was said, after all that was done. */
export function playedOf(
	truth: Truth,
	deeds: readonly Deed[]
): { world: World; worked: Worked; claims: Claim[] } {
	const { recipe } = truth.setting;
	const grams = new Map<string, number[]>();
	const counts: Partial<Record<Counted, number>> = {};
	const add = (key: string, value: number) => grams.set(key, [...(grams.get(key) ?? []), value]);
	for (const noted of notedBefore(truth))
		if (noted.kind === 'counted') counts[noted.of] = noted.count;
		else add(`${noted.what} ${noted.ingredient ?? ''}`, noted.grams);
	let world = beginning(truth);
	const claims: Claim[] = [];
	const declared: string[] = [];
	const cleansNoted: string[] = [];
	let isClosed = false;
	for (const deed of deeds) {
		if (deed.do === 'move') world = afterMove(truth, world, deed.move);
		if (deed.do === 'weigh') add(`${deed.what} ${deed.ingredient ?? ''}`, deed.grams);
		if (deed.do === 'correct') grams.set(`line ${deed.ingredient}`, [deed.grams]);
		if (deed.do === 'withdraw') grams.delete('finished ');
		if (deed.do === 'count') counts[deed.of] = deed.count;
		if (deed.do === 'declare') declared.push(deed.tag);
		if (deed.do === 'clean') cleansNoted.push(deed.tool);
		if (deed.do === 'say') claims.push(deed.claim);
		if (deed.do === 'close') isClosed = true;
	}
	const of = (key: string) => grams.get(key) ?? null;
	const total = (key: string) => of(key)?.reduce((sum, each) => sum + each, 0) ?? null;
	const [setOut, returned, swept] = ['set out', 'returned', 'swept'].map((what) => total(`${what} flour`));
	const used_g = setOut == null || returned == null ? null : setOut - returned;
	const lines = recipe.formula.lines.map(({ ingredient, use }) => ({
		name: recipe.ingredients.find(({ id }) => id === ingredient)?.name ?? '',
		isDough: use === 'dough',
		weighed_g: use === 'dough' ? total(`line ${ingredient}`) : used_g,
		uptake_g: use === 'dough' || used_g === null || swept == null ? null : used_g - swept
	}));
	const measured = {
		doughWeight_g: of('dough ')?.at(-1) ?? null,
		ballCount: counts.balls ?? null,
		ballWeights_g: of('ball ') ?? [],
		leftover_g: of('leftover ')?.at(-1) ?? null,
		finishedWeights_g: of('finished ') ?? [],
		rejects: counts.rejects ?? 0,
		sellable: counts.sellable ?? null,
		packs: counts.packs ?? null,
		loose: counts.loose ?? null
	};
	const doughMass_g = lines.reduce((sum, line) => sum + (line.isDough ? (line.weighed_g ?? 0) : 0), 0);
	const stages = closings({
		...measured,
		doughMass_g,
		mixGap: 'residue',
		doughLines: truth.lines.length,
		unweighedLines: lines.filter((line) => line.isDough && line.weighed_g === null).length,
		cookLoss: measured.finishedWeights_g.length > 0 ? truth.setting.cookLoss : null,
		finishedMoisture: 0.3,
		packPieces: recipe.product.packPieces ?? 6,
		scaleDivision_g: 0.1
	}).map(({ stage, state }) => ({ stage, state }));
	const contains = [...recipe.ingredients.flatMap(({ allergens }) => allergens ?? []), ...declared];
	return {
		world,
		claims,
		worked: { lines, ...measured, stages, contains, cleansNoted, closedWith: isClosed ? '' : null }
	};
}
