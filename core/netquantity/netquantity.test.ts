import { describe, expect, it } from 'vitest';
import { rulesOf } from '../rules/index.ts';
import { checkPacks } from './check.ts';
import {
	giveawayPer100Packs,
	boundOfPacks,
	expectedPack,
	leastBallHere_g,
	recommendBallWeight_g,
	recommendDeclaration,
	type DeclarationInput
} from './recommend.ts';
import { pooledSpread } from '../measure/spread.ts';
import { studentT } from '../measure/student.ts';

const [us, eu] = [rulesOf('us'), rulesOf('eu')];
const repeated = (value: number, times: number): number[] => Array<number>(times).fill(value);

describe('Student’s t', () => {
	it.each([
		[0.975, 1, 12.706],
		[0.975, 2, 4.303],
		[0.975, 3, 3.182],
		[0.975, 11, 2.201],
		[0.975, 23, 2.069],
		[0.975, 47, 2.012],
		[0.95, 2, 2.92],
		[0.95, 4, 2.132],
		[0.95, 9, 1.833]
	])('at %d with %d degrees of freedom is %d, as the tables print', (probability, degrees, printed) => {
		expect(studentT(probability, degrees)).toBeCloseTo(printed, 3);
	});

	it('is asked for whole degrees and a probability above one half', () => {
		expect(() => studentT(0.975, 0)).toThrow(RangeError);
		expect(() => studentT(0.975, 1.5)).toThrow(RangeError);
		expect(() => studentT(0.5, 3)).toThrow(RangeError);
	});
});

describe('how far one pack may be short', () => {
	it.each([
		[35.9, 3.59], // under 36: 10 %
		[36, 3.6],
		[54, 3.6],
		[54.1, 5.4],
		[349, 16.3],
		[381, 16.3],
		[382, 18.1],
		[1450, 42.6],
		[1451, null]
	])('US: %d g declared, %s g', (declared_g, short_g) => {
		const found = us.packs.allowedShort_g(declared_g);
		if (short_g === null) expect(found).toBeNull();
		else expect(found).toBeCloseTo(short_g, 10);
	});

	it.each([
		[4.9, null],
		[5, 0.5], // 9 %: 0.45, rounded up to the tenth
		[50, 4.5],
		[75, 4.5],
		[100, 4.5],
		[150, 6.8], // 4.5 %: 6.75, rounded up
		[160, 7.2], // exactly
		[200, 9],
		[250, 9],
		[300, 9],
		[349, 10.5], // 3 %: 10.47, rounded up
		[500, 15],
		[999, 15],
		[2000, 30], // 1.5 %
		[10_000, 150],
		[10_001, null]
	])('EU: %d g nominal, %s g', (nominal_g, error_g) => {
		const found = eu.packs.allowedShort_g(nominal_g);
		if (error_g === null) expect(found).toBeNull();
		else expect(found).toBeCloseTo(error_g, 10);
	});
});

describe('the sample an inspector takes', () => {
	it.each([
		[1, 1],
		[11, 11],
		[12, 12],
		[250, 12],
		[251, 24],
		[3200, 24],
		[3201, 48]
	])('of a lot of %d packs is %d', (lot, sample) => {
		expect(us.packs.sampleSize(lot)).toBe(sample);
	});
});

describe('the sample check in the United States', () => {
	it('grants t·s/√N: a mean a little short passes the inspector but not the maker', () => {
		// Errors −2, −1, 0, 1 of 300 g: mean −0.5; s = √(5/3) = 1.29099; 3.18245 · 1.29099 / 2 = 2.05426
		const check = checkPacks(us.packs, 300, [298, 299, 300, 301]);
		expect(check).toMatchObject({ meanError_g: -0.5, passes: true, passesOwn: false, tooShort: [] });
		expect(check?.spread_g).toBeCloseTo(Math.sqrt(5 / 3), 10);
		expect(check?.sampleLimit_g).toBeCloseTo(2.05426, 4);
	});

	it('fails where the mean is short by more than that', () => {
		// The same spread around −2.5: −2.5 + 2.05 < 0
		expect(checkPacks(us.packs, 300, [296, 297, 298, 299])).toMatchObject({
			meanError_g: -2.5,
			meanHolds: false,
			packsHold: true,
			passes: false
		});
	});

	it('of one pack tests only how far it may be short', () => {
		expect(checkPacks(us.packs, 300, [300])).toMatchObject({
			spread_g: null,
			sampleLimit_g: 0,
			passes: true
		});
		// 14.5 g at 300 g; the maker's own test asks for all of it
		expect(checkPacks(us.packs, 300, [285.5])).toMatchObject({ passes: true, passesOwn: false });
		expect(checkPacks(us.packs, 300, [285.4])).toMatchObject({ passes: false });
		expect(checkPacks(us.packs, 300, [299.9, 299.9])).toMatchObject({ passes: false });
	});

	it('no pack may be short by more than is allowed, exactly that much may', () => {
		// 300 g: 14.5 g
		expect(checkPacks(us.packs, 300, [285.5, 320, 320])).toMatchObject({ tooShort: [], passes: true });
		expect(checkPacks(us.packs, 300, [285.4, 320, 320])).toMatchObject({
			tooShort: [0],
			meanHolds: true,
			packsHold: false,
			passes: false,
			passesOwn: false
		});
	});

	it('one such pack is allowed of 48, not of 47, and never two', () => {
		expect(checkPacks(us.packs, 300, [285, ...repeated(301, 47)])).toMatchObject({ passes: true });
		expect(checkPacks(us.packs, 300, [285, ...repeated(301, 46)])).toMatchObject({ passes: false });
		expect(checkPacks(us.packs, 300, [285, 285, ...repeated(301, 46)])).toMatchObject({ passes: false });
	});

	it('gives no verdict where the table does not reach, and nothing of no packs', () => {
		expect(checkPacks(us.packs, 2000, [2000, 2001])).toMatchObject({ allowedShort_g: null, passes: null });
		expect(checkPacks(us.packs, 300, [])).toBeNull();
	});
});

describe('the average system of the EU and UK', () => {
	it('grants nothing to the mean', () => {
		expect(checkPacks(eu.packs, 300, [299, 300, 301])).toMatchObject({ sampleLimit_g: 0, passes: true });
		expect(checkPacks(eu.packs, 300, [298, 299, 301])).toMatchObject({ meanHolds: false, passes: false });
	});

	it('1 of 40 packs may be short by more than the error, 1 of 39 not', () => {
		// 300 g: 9 g, so 290 g is short by more
		expect(checkPacks(eu.packs, 300, [290, ...repeated(301, 39)])).toMatchObject({
			tooShort: [0],
			mayBeTooShort: 1,
			passes: true
		});
		expect(checkPacks(eu.packs, 300, [290, ...repeated(301, 38)])).toMatchObject({
			mayBeTooShort: 0,
			passes: false
		});
	});

	it('none may be short by more than twice the error', () => {
		expect(checkPacks(eu.packs, 300, [282, ...repeated(301, 39)])).toMatchObject({
			farTooShort: [],
			passes: true
		});
		expect(checkPacks(eu.packs, 300, [281.9, ...repeated(301, 39)])).toMatchObject({
			farTooShort: [0],
			passes: false
		});
	});
});

describe('what may be declared', () => {
	const of = (batches_g: number[][], more: Partial<DeclarationInput> = {}) =>
		recommendDeclaration({ batches_g, pieces: 6, cookLoss: 0.2, family: null, ...more });

	it('is what the next batch holds with 95 % confidence, by how batches differ', () => {
		// Mean packs 300, 303, 306: mean 303, s = 3; 303 − 2.919986 · 3 · √(4/3) = 292.885
		const found = of([[50], [50.5], [51]]);
		expect(found?.lowerBound_g).toBeCloseTo(303 - 2.919986 * 3 * Math.sqrt(4 / 3), 4);
		expect(found).toMatchObject({
			meanPack_g: 303,
			declared_g: 292,
			giveaway_g: 11,
			batches: 3,
			widened: null
		});
	});

	it('goes by the batches, however many pieces of one were weighed, and leaves out those without any', () => {
		expect(of([[49, 50, 51], [50.5], [], [51, 51]])).toEqual(of([[50], [50.5], [51]]));
	});

	it('is the mean itself where batches do not differ, and a whole gram less just under it', () => {
		expect(of([[50], [50], [50]])).toMatchObject({ declared_g: 300, giveaway_g: 0 });
		expect(of([[49.99], [49.99], [49.99]])).toMatchObject({ declared_g: 299 });
	});

	it('of one or two batches goes by the pieces, widened by two points of cook loss', () => {
		// 51, 52, 53: mean 52, s = 1: 2.919986/√3 = 1.68585. Raw 52/0.8 = 65; 1.645 · 65 · 0.02 · √2 = 3.02434.
		// 6 · (52 − √(1.68585² + 3.02434²)) = 6 · (52 − 3.46245) = 291.2253
		const one = of([[51, 52, 53]]);
		expect(one?.lowerBound_g).toBeCloseTo(291.2253, 3);
		expect(one).toMatchObject({ declared_g: 291, batches: 1, widened: { sd: 0.02, from: 'assumed' } });
		// The same pieces of two batches: √(1 + 1/2) in the place of √2, 2.61915; 6 · (52 − 3.11483) = 293.311
		expect(of([[51], [52, 53]])?.lowerBound_g).toBeCloseTo(293.311, 2);
	});

	it('or by how the family’s batches differ, where some tell', () => {
		// t(0.95, 4) = 2.131847: 2.131847 · 65 · 0.01 · √2 = 1.95965; √(1.68585² + 1.95965²) = 2.58504
		const found = of([[51, 52, 53]], { family: { sd: 0.01, degrees: 4 } });
		expect(found?.lowerBound_g).toBeCloseTo(6 * (52 - 2.58504), 3);
		expect(found?.widened).toEqual({ sd: 0.01, from: 'family' });
	});

	it('needs two weighed pieces, and a bound of at least a gram', () => {
		expect(of([[50]])).toBeNull();
		expect(of([])).toBeNull();
		expect(of([[1, 30]])).toBeNull();
		expect(of([[1], [9], [30]])).toBeNull();
	});

	it('packs of one lot bear out the lower bound of their own mean', () => {
		// 350, 352, 354: mean 352, s = 2; 352 − 2.91999 · 2 / √3 = 348.6283
		expect(boundOfPacks([350, 352, 354])).toMatchObject({ meanPack_g: 352, declared_g: 348 });
		expect(boundOfPacks([350, 352, 354])?.lowerBound_g).toBeCloseTo(348.6283, 4);
		expect(boundOfPacks([350])).toBeNull();
		expect(boundOfPacks([1, 30])).toBeNull();
	});

	it('the giveaway costs its share of the dough in a pack, never of the bag', () => {
		// 8 pieces at 0.22 are 1.76 of ingredients in 352 g; 4 g of them 0.02 a pack, 2.00 in 100
		expect(giveawayPer100Packs(4, 352, '0.22', 8)).toBe('2.00');
	});
});

describe('the spread that groups share', () => {
	it('is pooled within them, whatever their means', () => {
		// 1, 3: s² = 2 on 1; 10, 12, 14: s² = 4 on 2; √((2 + 8)/3) = 1.82574
		expect(pooledSpread([[1, 3], [10, 12, 14], [7]])).toMatchObject({ degrees: 3 });
		expect(pooledSpread([[1, 3], [10, 12, 14], [7]])?.sd).toBeCloseTo(1.82574, 5);
		expect(pooledSpread([[7], []])).toBeNull();
	});
});

describe('the smallest ball weight', () => {
	const exact = { pieces: 6, uptake_g: 1, ballsOff_g: [0, 0, 0], cookLosses: [0.15, 0.15, 0.15] };
	const here = { ...exact, ballSpread_g: 0, ballsWeighed: 10 };

	it('holds exactly without any spread', () => {
		// 312 / 6 = 52 finished; 52 / 0.85 = 61.18 raw less 1 of uptake = 60.18 → 61
		expect(recommendBallWeight_g(312, exact)).toBe(61);
		expect(leastBallHere_g(312, here)).toBe(61);
		// 6 · (59 + 1) · 0.85 = 306 on the gram
		expect(recommendBallWeight_g(306, exact)).toBe(59);
		expect(recommendBallWeight_g(306.1, exact)).toBe(60);
	});

	it('grows with how batches differ in their balls and their loss, each as one more', () => {
		// t(0.95, 2) = 2.92, √(4/3) = 1.1547. Balls: 0.85 · 1 · 1.1547 = 0.9815. At 64: 65 · 0.01 · 1.1547 = 0.7506;
		// together 1.2356; 6 · (55.25 − 2.92 · 1.2356) = 309.85 < 312; at 65: 66: 0.7621 → 1.2427; 6 · (56.1 − 3.6286) = 314.83
		const spread = { ...exact, ballsOff_g: [-1, 0, 1], cookLosses: [0.14, 0.15, 0.16] };
		expect(recommendBallWeight_g(309.8, spread)).toBe(64);
		expect(recommendBallWeight_g(312, spread)).toBe(65);
		expect(recommendBallWeight_g(314.9, spread)).toBe(66);
	});

	it('of the batch at hand goes by its own balls: those weighed tell their mean', () => {
		// Balls 0.85 · 1.5 / √10 = 0.4032. At 62: 63 · 0.01 · 1.1547 = 0.7275; together 0.8317;
		// 6 · (53.55 − 2.92 · 0.8317) = 306.73
		const spread = { ...here, ballSpread_g: 1.5, cookLosses: [0.14, 0.15, 0.16] };
		const pack = expectedPack(62, spread);
		expect(pack?.mean_g).toBeCloseTo(321.3, 9);
		expect(pack?.lowerBound_g).toBeCloseTo(306.73, 1);
		expect(expectedPack(62, { ...spread, cookLosses: [0.15] })).toBeNull();
		expect(leastBallHere_g(306.7, spread)).toBe(62);
		expect(leastBallHere_g(306.8, spread)).toBe(63);
	});

	it('is not guessed from one ball, one batch, or a loss that swallows everything', () => {
		expect(leastBallHere_g(312, { ...here, ballsWeighed: 1 })).toBeNull();
		expect(recommendBallWeight_g(312, { ...exact, ballsOff_g: [0] })).toBeNull();
		expect(recommendBallWeight_g(312, { ...exact, cookLosses: [0.15] })).toBeNull();
		expect(recommendBallWeight_g(312, { ...exact, cookLosses: [0.1, 0.9] })).toBeNull();
	});
});

describe('the net quantity as it prints', () => {
	it.each([
		[349, 'NET WT 12.3 OZ (349 g)'], // 12.31
		[351, 'NET WT 12.3 OZ (351 g)'], // 12.38: not 12.4, which would be 351.5 g
		[453, 'NET WT 15.9 OZ (453 g)'], // 15.98
		[454, 'NET WT 16 OZ (1 LB) 454 g'],
		[500, 'NET WT 17.6 OZ (1 LB 1.6 OZ) 500 g'],
		[910, 'NET WT 32 OZ (2 LB) 910 g'], // 32.09
		[1814, 'NET WT 63.9 OZ (3 LB 15.9 OZ) 1814 g'], // 63.99: under 4 lb
		[1815, 'NET WT 4 LB (1815 g)'], // 64.02
		[2000, 'NET WT 4 LB 6.5 OZ (2000 g)'] // 70.55
	])('US: %d g is %s', (declared_g, text) => {
		expect(us.netQuantityText(declared_g)).toBe(text);
	});

	it('is metric alone in the EU and UK', () => {
		expect(eu.netQuantityText(349)).toBe('349 g');
		expect(eu.netQuantityText(1250)).toBe('1.25 kg');
	});
});
