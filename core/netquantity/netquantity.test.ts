import { describe, expect, it } from 'vitest';
import { rulesOf } from '../rules/index.ts';
import { checkPacks } from './check.ts';
import {
	giveawayPer100Packs,
	expectedPack,
	recommendBallWeight_g,
	recommendFromPacks,
	recommendFromPieces
} from './recommend.ts';
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
	it('is the largest whole gram the 95 % lower bound of the mean holds', () => {
		// 350, 352, 354: mean 352, s = 2; 352 − 2.91999 · 2 / √3 = 348.6283
		const found = recommendFromPacks([350, 352, 354]);
		expect(found?.lowerBound_g).toBeCloseTo(348.6283, 4);
		expect(found).toMatchObject({ meanPack_g: 352, declared_g: 348, giveaway_g: 4 });
	});

	it('is the mean itself where packs do not differ, and a whole gram less just under it', () => {
		expect(recommendFromPacks([350, 350, 350])).toMatchObject({ declared_g: 350, giveaway_g: 0 });
		expect(recommendFromPacks([349.9, 349.9, 349.9])).toMatchObject({ declared_g: 349 });
	});

	it('follows from pieces as well', () => {
		// Six pieces of 52 g, s = 1, three weighed: 6 · (52 − 2.91999 · 1 / √3) = 301.885
		const found = recommendFromPieces([51, 52, 53], 6);
		expect(found?.lowerBound_g).toBeCloseTo(6 * (52 - 2.919986 / Math.sqrt(3)), 4);
		expect(found).toMatchObject({ meanPack_g: 312, declared_g: 301, giveaway_g: 11 });
	});

	it('needs two weighings, and a bound of at least a gram', () => {
		expect(recommendFromPacks([350])).toBeNull();
		expect(recommendFromPacks([])).toBeNull();
		expect(recommendFromPacks([1, 30])).toBeNull();
	});

	it('the giveaway costs its share of the dough in a pack, never of the bag', () => {
		// 8 pieces at 0.22 are 1.76 of ingredients in 352 g; 4 g of them 0.02 a pack, 2.00 in 100
		expect(giveawayPer100Packs(4, 352, '0.22', 8)).toBe('2.00');
	});
});

describe('the smallest ball weight', () => {
	const exact = {
		declared_g: 312,
		pieces: 6,
		uptake_g: 1,
		ballSpread_g: 0,
		ballsWeighed: 10,
		cookLosses: [0.15, 0.15, 0.15]
	};

	it('holds exactly without any spread', () => {
		// 312 / 6 = 52 finished; 52 / 0.85 = 61.18 raw less 1 of uptake = 60.18 → 61
		expect(recommendBallWeight_g(exact)).toBe(61);
		// 6 · (59 + 1) · 0.85 = 306 on the gram
		expect(recommendBallWeight_g({ ...exact, declared_g: 306 })).toBe(59);
		expect(recommendBallWeight_g({ ...exact, declared_g: 306.1 })).toBe(60);
	});

	it('grows with the spread of balls and of the loss', () => {
		// t(0.95, 2) = 2.92. Balls: 0.85 · 1.5 / √10 = 0.403. At 62: 63 · 0.01 / √3 = 0.364; together 0.543;
		// 6 · (63 · 0.85 − 2.92 · 0.543) = 311.79 < 312; at 63: 64: 0.3695 → 0.5468 → 316.82
		expect(recommendBallWeight_g({ ...exact, ballSpread_g: 1.5, cookLosses: [0.14, 0.15, 0.16] })).toBe(63);
	});

	it('is where the lower bound of the expected pack reaches what is declared', () => {
		const spread = { ...exact, ballSpread_g: 1.5, cookLosses: [0.14, 0.15, 0.16] };
		// as above: 6 · 63 · 0.85 = 321.3 on average and 311.79 at least
		const pack = expectedPack(62, spread);
		expect(pack?.mean_g).toBeCloseTo(321.3, 9);
		expect(pack?.lowerBound_g).toBeCloseTo(311.79, 1);
		expect(expectedPack(62, { ...spread, cookLosses: [0.15] })).toBeNull();
	});

	it('is not guessed from one ball, one batch, or a loss that swallows everything', () => {
		expect(recommendBallWeight_g({ ...exact, ballsWeighed: 1 })).toBeNull();
		expect(recommendBallWeight_g({ ...exact, cookLosses: [0.15] })).toBeNull();
		expect(recommendBallWeight_g({ ...exact, cookLosses: [0.1, 0.9] })).toBeNull();
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
