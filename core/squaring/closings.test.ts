import { describe, expect, it } from 'vitest';
import { closings, type ClosingFigures } from './closings.ts';
import { readingUncertainty_g, sampledTotalUncertainty_g } from './uncertainty.ts';

const figures: ClosingFigures = {
	doughMass_g: 1600,
	mixGap: 'residue',
	doughLines: 3,
	doughWeight_g: 1585,
	ballCount: 31,
	ballWeights_g: [50, 51, 49, 50],
	leftover_g: 35,
	finishedWeights_g: [42],
	cookLoss: 0.16,
	finishedMoisture: 0.35,
	rejects: 2,
	sellable: 29,
	packs: 4,
	loose: 5,
	packPieces: 6,
	scaleDivision_g: 1
};
const states = (more: Partial<ClosingFigures> = {}) =>
	closings({ ...figures, ...more }).map((closing) => closing.state);

describe('uncertainty', () => {
	it('a net reading carries the step twice: 1 g gives √2/√12 = 0.408', () => {
		expect(readingUncertainty_g(1)).toBeCloseTo(0.40825, 5);
	});

	it('a sample of 4 of 31 with s = 0.8165: 31·s/2·√(27/30) = 12.006, and the scale’s 31/4·2·0.408 = 6.328', () => {
		expect(sampledTotalUncertainty_g([50, 51, 49, 50], 31, 1)).toBeCloseTo(Math.hypot(12.0063, 6.3279), 3);
	});

	it('all pieces weighed leave only the scale', () => {
		expect(sampledTotalUncertainty_g([50, 60], 2, 1)).toBeCloseTo(Math.SQRT2 * readingUncertainty_g(1), 12);
	});

	it('one piece of several says nothing of the spread', () => {
		expect(sampledTotalUncertainty_g([50], 31, 1)).toBeNull();
	});
});

describe('closings', () => {
	it('a batch that is accounted for squares at every stage', () => {
		// 31 balls = 29 sellable + 2 rejects; 29 = 4 packs of 6 and 5 loose
		expect(states()).toEqual(['squares', 'squares', 'squares', 'squares', 'squares']);
	});

	it.each([
		// residue up to max(2 % of 1600, 15) = 32 g, and the tolerance 2·0.408·√4 = 1.63 g beyond
		[1566.4, 'squares'],
		[1566.3, 'off'],
		[1601.6, 'squares'],
		[1601.7, 'off']
	])('mix with %d g of dough: %s', (doughWeight_g, state) =>
		expect(states({ doughWeight_g })[0]).toBe(state)
	);

	it('steam may take more than a bowl keeps', () => {
		expect(states({ doughWeight_g: 1500, mixGap: 'evaporation' })[0]).toBe('squares');
	});

	it('a ball miscounted is off by its weight', () => {
		const [, divide] = closings({ ...figures, ballCount: 30 });
		expect(divide).toMatchObject({ state: 'off', gap: 50 });
	});

	it('says what is missing rather than guess', () => {
		expect(
			closings({ ...figures, doughWeight_g: null, sellable: null }).map(
				(closing) => closing.state === 'open' && closing.missing
			)
		).toEqual([
			'dough not weighed',
			'dough not weighed',
			false,
			'sellable pieces not counted',
			'sellable pieces not counted'
		]);
		expect(closings({ ...figures, leftover_g: null })[1]).toMatchObject({
			state: 'open',
			missing: 'leftover not weighed'
		});
		expect(closings({ ...figures, ballCount: null })[1]).toMatchObject({
			state: 'open',
			missing: 'balls not counted'
		});
		expect(closings({ ...figures, ballWeights_g: [] })[1]).toMatchObject({
			state: 'open',
			missing: 'no ball weighed'
		});
		expect(closings({ ...figures, ballWeights_g: [50] })[1]).toMatchObject({
			state: 'open',
			missing: 'weigh a second ball'
		});
		expect(closings({ ...figures, cookLoss: null })[2]).toMatchObject({
			state: 'open',
			missing: 'no finished piece weighed'
		});
		expect(closings({ ...figures, finishedMoisture: null })[2]?.state).toBe('open');
	});

	it.each([
		[29, 2, 'squares', 0],
		[28, 2, 'off', 1],
		[30, 2, 'off', -1]
	])('%d sellable and %d rejects of 31 balls: %s', (sellable, rejects, state, gap) => {
		const closing = closings({ ...figures, sellable, rejects })[3];
		expect(closing).toMatchObject({ stage: 'count', state, gap, tolerance: 0, unit: 'pieces' });
	});

	it.each([
		[4, 5, 'squares', 0],
		[4, 4, 'off', 1],
		[5, 5, 'off', -6]
	])('%d packs of 6 and %d loose of 29 sellable: %s', (packs, loose, state, gap) => {
		expect(closings({ ...figures, packs, loose })[4]).toMatchObject({ stage: 'pack', state, gap });
	});

	it('pieces that gained weight on the plate are off', () => {
		expect(states({ cookLoss: -0.01 })[2]).toBe('off');
	});
});
