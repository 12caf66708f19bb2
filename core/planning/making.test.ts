import { describe, expect, it } from 'vitest';
import { TOOLS, tool, UNTIMED, wishOf } from '../testing/wishes.ts';
import { piecesFor, stepsHeld } from './assemble.ts';
import { carryingOrder } from './carrying.ts';
import { cookMinutes, mixesOf, tasksOf, type Making } from './making.ts';

const making = (family: string, more: Partial<Making> = {}): Making => ({
	dough_g: 4320,
	pieces: 72,
	packs: 9,
	steps: wishOf(family).steps,
	paces: UNTIMED,
	tools: TOOLS,
	people: 2,
	rollsWhileCooking: false,
	...more
});

describe('the tasks of a batch', () => {
	it('come from its process: the dough, dividing, rolling and cooking, packing, with what waits between', () => {
		// weigh in 6, mix 3–6, knead 6–12: 6 + 4.5 + 9 = 19.5, and rest 20–30; balls 72 · 0.3 = 21.6, and rest 15–30
		const tasks = tasksOf(making('roti'), 'usual');
		expect(
			tasks.map(({ kind, task }) => [kind, task.modes[0]?.minutes, task.waitLow_min, task.waitHigh_min])
		).toEqual([
			['mix', 20, 20, 30],
			['divide', 22, 15, 30],
			// alone: 72 · 1.5 rolled and 72 · (0.75 + 1 + 0.25) cooked; then 5 in a cloth and 20 to cool, longer does no harm
			['cook', 252, 25, null],
			// 9 · 1 and 3 to count
			['pack', 12, 0, null]
		]);
	});

	it('take what three batches taught, by the piece and by the batch', () => {
		const paces = {
			...UNTIMED,
			mix: { median_min: 16, p90_min: 20, batches: 5 },
			divide: { median_min: 0.25, p90_min: 0.5, batches: 4 },
			cook: { median_min: 1, p90_min: 1.25, batches: 3 }
		};
		const minutes = (reckoning: 'usual' | 'safe') =>
			tasksOf(making('roti', { paces }), reckoning).map(({ task }) => task.modes[0]?.minutes);
		expect(minutes('usual')).toEqual([16, 18, 72, 12]);
		expect(minutes('safe')).toEqual([20, 36, 90, 17]);
		expect(tasksOf(making('roti', { paces }), 'usual').map(({ batches }) => batches)).toEqual([5, 4, 3, 0]);
	});

	it('keep the bowl until the dough is divided: any that holds it', () => {
		const tools = [tool('big', 'bowl', { capacity_g: 5000 }), tool('small', 'bowl', { capacity_g: 2000 })];
		const [mix] = tasksOf(making('roti', { tools }), 'usual');
		expect(mix?.task.modes.map(({ keeps }) => keeps)).toEqual([{ 'tool big': 1 }]);
		expect(mix?.task.keepsUntil).toBe('divide');
	});

	it('of a dry mix are mixing and filling', () => {
		const { steps } = wishOf('roti', { cooking: 'not cooked: a dry mix in jars' });
		expect(tasksOf(making('roti', { steps }), 'usual').map(({ kind }) => kind)).toEqual(['mix', 'pack']);
	});

	it('hold a dough overnight where it is asked for, once', () => {
		const roti = wishOf('roti', {}, { overnight: true });
		const [mix] = tasksOf(making('roti', { steps: stepsHeld(roti) }), 'usual');
		// 20–30 to rest, 480–1080 in the cold, 30–90 to come to the room
		expect([mix?.task.waitLow_min, mix?.task.waitHigh_min]).toEqual([530, 1200]);
		const already = wishOf('roti', { held: 'overnight in the cold' }, { overnight: true });
		expect(stepsHeld(already)).toBe(already.steps);
	});
});

describe('rolling and cooking', () => {
	const of = (people: number, places: number, rollsWhileCooking = false) =>
		cookMinutes({ steps: wishOf('roti').steps, pieces: 10, rollsWhileCooking }, { people, places }, 'usual');

	it('is loads of both sides and the handling, all rolled before', () => {
		// 10 · 1.5 + 10 · (0.75 + 1 + 0.25) = 35; two at once: 15 + 5 · 2 = 25; four: 15 + 3 · 2
		expect([of(1, 1), of(1, 2), of(1, 4)]).toEqual([35, 25, 21]);
	});

	it('rolls the next load during side two where another rolls, or one can do both', () => {
		// The first rolled 1.5, then each 0.75 + max(1, 1.5) + 0.25 = 2.5
		expect([of(2, 1), of(1, 1, true)]).toEqual([26.5, 26.5]);
	});
});

describe('mixes', () => {
	it('are as many as the dough needs of the largest bowl, packs as even as can be', () => {
		const bowl = (capacity_g: number | null) => [tool('b', 'bowl', { capacity_g })];
		const of = (dough_g: number, capacity_g: number | null) =>
			mixesOf({ dough_g, packs: 7, tools: bowl(capacity_g) });
		expect([of(3000, 3000), of(3001, 3000), of(9000, 3000), of(9000, null)]).toEqual([
			[7],
			[3, 4],
			[2, 2, 3],
			[7]
		]);
	});
});

describe('pieces for packs', () => {
	it('are so many more that what is spoilt leaves enough nineteen times of twenty', () => {
		const of = (packs: number, rejectRate: number) => piecesFor({ packs, packPieces: 10, rejectRate });
		expect(of(1, 0)).toEqual({ pieces: 10, spare: 0 });
		// 10 of 10 at 2 %: 0.98^10 = 0.817; of 11 at most one: 0.801 + 11 · 0.02 · 0.98^10 = 0.980
		expect(of(1, 0.02)).toEqual({ pieces: 11, spare: 1 });
		expect(of(1, 0.005)).toEqual({ pieces: 10, spare: 0 });
		// 103 at 2 %: at most two spoilt 0.66, three of 104, four of 105: 0.94 and five of 105 0.98
		expect(of(10, 0.02)).toEqual({ pieces: 105, spare: 5 });
	});
});

describe('the order that carries least', () => {
	const one = (id: string, allergens: string[], uses = ['griddle']) => ({ id, allergens, uses });

	it('is from few allergens to more', () => {
		const carried = carryingOrder([
			one('c', ['wheat', 'milk', 'sesame']),
			one('a', ['wheat']),
			one('b', ['wheat', 'milk'])
		]);
		expect(carried.order).toEqual(['a', 'b', 'c']);
		expect(carried.cleans).toEqual([]);
		expect(carried.sequences).toHaveLength(3);
	});

	it('cleans where each has what another lacks, and once is enough', () => {
		const { cleans, sequences } = carryingOrder([one('a', ['milk']), one('b', ['sesame'])]);
		expect([cleans.length, sequences.length]).toEqual([1, 1]);
	});

	it('asks nothing of what shares nothing, or has the same', () => {
		expect(carryingOrder([one('a', ['milk'], ['oven']), one('b', ['sesame'])]).sequences).toEqual([]);
		expect(carryingOrder([one('a', ['milk']), one('b', ['milk'])]).sequences).toEqual([]);
	});
});
