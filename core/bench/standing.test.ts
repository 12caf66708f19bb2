import { describe, expect, it } from 'vitest';
import { event, weighing } from '../testing/entries.ts';
import { dough, recipe } from '../testing/recipe.ts';
import {
	isRecorded,
	lineClosed,
	lineStanding,
	lineTaken,
	measuredOf,
	recipeMade,
	type BatchLine
} from './batch.ts';
import { benchOf } from './bench.ts';
import type { Entry } from './entries.ts';
import { outcomesOf, standingOf } from './standing.ts';

const planned = (ingredient: string, planned_g: number): BatchLine => ({
	id: ingredient,
	ingredient,
	use: 'dough',
	stage: null,
	planned_g,
	most_g: null,
	toWeigh: false,
	plannedUptake_g: null,
	weighed_g: null,
	weighedUptake_g: null
});
const PLANNED = [planned('flour', 1000), planned('water', 600)];

/** How a batch of 1000 g flour and 600 g water stands after entries. */
function after(...entries: Entry[]) {
	const bench = benchOf(entries.map((entry, index) => ({ ...entry, number: index + 1 })));
	const lines = PLANNED.map((line) => ({ ...line, ...lineTaken(line, bench) }));
	const measured = measuredOf(bench);
	const recorded = isRecorded(lines, measured);
	const made = recipeMade(recipe(), lines.map(lineStanding), measured);
	const outcomes = outcomesOf({ ...measured, lines, recorded, recipe: made, stock: [] }, 1);
	return {
		...outcomes,
		standing: standingOf({ ...measured, lines, recorded, recipe: made }, outcomes, bench, null)
	};
}
const weigh = (lineId: string, grams: number) => weighing({ what: 'line', lineId, grams });
const count = (of: 'balls' | 'packs', value: number) => event({ name: 'counted', of, count: value });

describe('how a batch stands', () => {
	it('before anything is weighed is as planned, and goes on at the weigh-in', () => {
		const { facts, standing } = after();
		expect(facts?.yield.doughMass_g).toBe(1600);
		expect(standing).toMatchObject({
			recorded: false,
			next: { path: 'weigh', words: 'nothing weighed yet' },
			unweighed: 2,
			plannedPacks: null,
			cookLoss: null
		});
	});

	it('with a line unweighed is open at the mix, whatever else was weighed', () => {
		const { closings, standing } = after(
			weigh('flour', 1000),
			weighing({ what: 'dough', grams: 1590 }),
			count('balls', 32)
		);
		expect(closings[0]).toMatchObject({ stage: 'mix', state: 'open' });
		expect(standing).toMatchObject({ recorded: true, unweighed: 1, next: { path: 'weigh' } });
	});

	it('with everything weighed squares at the mix, and knows its loss', () => {
		const { standing, facts } = after(
			weigh('flour', 1000),
			weigh('water', 600),
			weighing({ what: 'dough', grams: 1592 }),
			count('balls', 31),
			weighing({ grams: 50 }),
			weighing({ what: 'finished', grams: 42 })
		);
		expect(standing.closings[0]).toMatchObject({ stage: 'mix', state: 'squares' });
		// 1 − 42 / 50
		expect(standing.cookLoss).toBeCloseTo(0.16, 12);
		expect(standing).toMatchObject({ unweighed: 0, doughWeight_g: 1592, ballWeights_g: [50] });
		expect(facts?.formula.hydration).toBe(60);
		expect(standing.next.path).toBe('pack');
	});

	it('names the steps that run, and the best-before that was set', () => {
		const { standing } = after(
			event({ name: 'step begun', step: 0 }, { at: '2026-04-05T08:00:00.000Z' }),
			event({ name: 'step ended', step: 0 }, { at: '2026-04-05T08:20:00.000Z' }),
			event({ name: 'step begun', step: 1 }, { at: '2026-04-05T08:21:00.000Z' }),
			event({ name: 'best before', day: '2026-04-12' })
		);
		expect(standing.running).toEqual([{ step: 1, begunAt: '2026-04-05T08:21:00.000Z' }]);
		expect(standing.bestBefore).toBe('2026-04-12');
	});

	it('that cannot be has problems and no facts', () => {
		const { facts, problems } = after(weighing({ what: 'dough', grams: 30 }), weighing({ grams: 50 }));
		expect(facts).toBeNull();
		expect(problems.map(({ path }) => path)).toContain('batch.ballWeights_g');
	});

	it('weighed otherwise than planned is what it was weighed', () => {
		const { facts } = after(weigh('flour', 900), weigh('water', 600));
		expect(facts?.yield.doughMass_g).toBe(1500);
		expect(recipe().formula.lines).toEqual([dough('flour', 1000), dough('water', 600)]);
	});
});

describe('a line of a closed batch', () => {
	const of = (more: Partial<BatchLine>): BatchLine => ({ ...planned('salt', 20), ...more });

	it('of dough that nobody weighed is nothing, whatever was planned; on the bench the plan stands', () => {
		expect(lineClosed(of({})).used_g).toBe(0);
		expect(lineStanding(of({})).used_g).toBe(20);
		expect(lineClosed(of({ weighed_g: 18 })).used_g).toBe(18);
	});
});
