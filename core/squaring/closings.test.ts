import { describe, expect, it } from 'vitest';
import { closings, type ClosingFigures } from './closings.ts';
import { ofReadings, ofSampledTotal, readingUncertainty_g, tolerance_g } from './uncertainty.ts';

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

	it('a sample of 4 of 31 with s = 0.8165: 31·s/2·√(27/31) = 11.811 on 3 degrees, and the scale’s 31/4·2·0.408 = 6.328', () => {
		const [spread, scale] = ofSampledTotal([50, 51, 49, 50], 31, 1) ?? [];
		expect(spread?.standard_g).toBeCloseTo(11.811, 3);
		expect(spread?.degrees).toBe(3);
		expect(scale?.standard_g).toBeCloseTo(6.3279, 3);
		expect(scale?.degrees).toBe(Infinity);
	});

	it('all pieces weighed leave only the scale', () => {
		expect(ofSampledTotal([50, 60], 2, 1)).toEqual([
			{ standard_g: Math.SQRT2 * readingUncertainty_g(1), degrees: Infinity }
		]);
	});

	it('one piece of several says nothing of the spread', () => {
		expect(ofSampledTotal([50], 31, 1)).toBeNull();
	});
});

describe('tolerance', () => {
	it('is 1.96 times what is known: three readings at 1 g steps, 1.96·0.408·√3 = 1.386 g', () => {
		expect(tolerance_g(ofReadings(1, 3))).toBeCloseTo(1.386, 3);
		expect(tolerance_g(ofReadings(1, 1), ofReadings(1, 2))).toBeCloseTo(1.386, 3);
	});

	it('goes by Student’s t where terms rest on a sample', () => {
		// 4 degrees alone: t = 2.776
		expect(tolerance_g({ standard_g: 10, degrees: 4 })).toBeCloseTo(27.76, 2);
		// u² = 11.811² + 6.328² + 0.577² = 179.87; ν = 179.87² ÷ (11.811⁴ ÷ 3) = 4.99, whole 4: 2.776 · 13.412 = 37.24
		const balls = ofSampledTotal([50, 51, 49, 50], 31, 1) ?? [];
		expect(tolerance_g(...balls, ofReadings(1, 2))).toBeCloseTo(37.24, 1);
		// Two balls leave one degree: t = 12.706
		expect(tolerance_g({ standard_g: 1, degrees: 1 }, ofReadings(0.001, 1))).toBeCloseTo(12.706, 3);
	});

	it('has one degree at least, and many are as good as known', () => {
		expect(tolerance_g({ standard_g: 1, degrees: 1 }, { standard_g: 0, degrees: 1 })).toBeCloseTo(12.706, 3);
		expect(tolerance_g({ standard_g: 1, degrees: 1000 })).toBe(1.96);
		expect(tolerance_g({ standard_g: 0, degrees: 3 })).toBe(0);
	});
});

describe('closings', () => {
	it('a batch that is accounted for squares at every stage', () => {
		// 31 balls = 29 sellable + 2 rejects; 29 = 4 packs of 6 and 5 loose
		expect(states()).toEqual(['squares', 'squares', 'squares', 'squares', 'squares']);
	});

	it.each([
		// residue up to max(2 % of 1600, 15) = 32 g, and the tolerance 1.96·0.408·√4 = 1.60 g beyond
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

	it('31 balls of which 4 were weighed hold to 37.2 g', () => {
		// 1585 − 31 · 50 − leftover
		const divide = (leftover_g: number) => closings({ ...figures, leftover_g })[1];
		expect(divide(72)).toMatchObject({ state: 'squares', gap: -37 });
		expect(divide(73)).toMatchObject({ state: 'off', gap: -38 });
		expect(divide(-2)).toMatchObject({ state: 'squares', gap: 37 });
		expect(divide(-3)).toMatchObject({ state: 'off', gap: 38 });
	});

	describe('stock', () => {
		const use = (name: string, consumed: number, drawn: number, unit: 'g' | 'pieces' = 'g') => ({
			name,
			unit,
			consumed,
			drawn
		});
		const stock = (...uses: ReturnType<typeof use>[]) => closings({ ...figures, stock: uses })[5];

		it('is each thing by itself, to 1.96·0.408 = 0.80 g', () => {
			expect(stock(use('Flour', 1000, 999.2), use('Salt', 20, 20.8))).toMatchObject({ state: 'squares' });
			expect(stock(use('Flour', 1000, 999.19))).toMatchObject({
				state: 'off',
				tolerance: expect.closeTo(0.8, 2)
			});
			expect(stock(use('Flour', 1000, 1000.81))).toMatchObject({
				state: 'off',
				message: '1 g of Flour more was drawn from lots than went in'
			});
		});

		it('never lets one make good what another lacks', () => {
			expect(stock(use('Flour', 1000, 940), use('Butter', 40, 100))).toMatchObject({
				state: 'off',
				gap: 60,
				message: '60 g of Flour came from no lot, and 1 more'
			});
		});

		it('counts packaging exactly, after what is weighed', () => {
			expect(stock(use('Flour', 1000, 1000), use('Bag', 5, 4, 'pieces'))).toMatchObject({
				state: 'off',
				gap: 1,
				tolerance: 0,
				message: '1 of Bag came from no lot'
			});
			expect(stock(use('Bag', 5, 5, 'pieces'))).toMatchObject({ state: 'squares', gap: 0 });
			expect(stock(use('Bag', 0, 0, 'pieces'))).toMatchObject({
				state: 'open',
				missing: 'nothing drawn yet'
			});
		});
	});

	it('pieces that gained weight on the plate are off', () => {
		expect(states({ cookLoss: -0.01 })[2]).toBe('off');
	});
});
