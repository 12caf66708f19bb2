import { describe, expect, it } from 'vitest';
import { wholeCost, type Costed } from './whole.ts';

const costed = (more: Partial<Costed> = {}): Costed => ({
	cost: { batch: '6.5072', perPiece: '0.1162', perPack: '1.08', unpriced: [] },
	sellable: 56,
	packs: 7,
	product: {
		packPieces: 8,
		materials: [
			{ name: 'bag', cost: '0.11' },
			{ name: 'label', cost: '0.04' }
		]
	},
	...more
});
const NONE = { tariff_perKwh: null, labour_perHour: null };
const UNTIMED = { heat_min: null, hands_min: null, power_kw: null };
const took = { heat_min: 90, hands_min: 120, power_kw: 1.8 };
const rates = { tariff_perKwh: '0.17', labour_perHour: '15.00' };

describe('the whole cost of a batch', () => {
	it('is ingredients and materials where nothing else is counted', () => {
		// materials 0.15 a pack, 7 packs 1.05; ingredients of a pack 1.08 − 0.15 = 0.93
		expect(wholeCost(costed(), UNTIMED, NONE)).toEqual({
			parts: [
				{ part: 'ingredients', batch: '6.51', perPiece: '0.1162', perPack: '0.93' },
				{ part: 'materials', batch: '1.05', perPiece: null, perPack: '0.15' }
			],
			batch: '7.56',
			perPiece: '0.1162',
			perPack: '1.08'
		});
	});

	it('energy is minutes × kW × tariff, labour hands-on minutes × rate, each apart', () => {
		const whole = wholeCost(costed(), took, rates);
		expect(whole?.parts.slice(2)).toEqual([
			// 90/60 h × 1.8 kW × 0.17 = 0.459; / 56 = 0.008196…; × 8 = 0.0656
			{ part: 'energy', batch: '0.46', perPiece: '0.0082', perPack: '0.07' },
			// 120/60 h × 15.00 = 30.00; / 56 = 0.5357…; × 8 = 4.2857
			{ part: 'labour', batch: '30.00', perPiece: '0.5357', perPack: '4.29' }
		]);
		// 6.51 + 1.05 + 0.46 + 30.00; 0.1162 + 0.0082 + 0.5357; 0.93 + 0.15 + 0.07 + 4.29
		expect(whole).toMatchObject({ batch: '38.02', perPiece: '0.6601', perPack: '5.44' });
	});

	it.each([
		['no minutes', { ...took, heat_min: null }],
		['nothing that heats', { ...took, power_kw: null }]
	])('counts no energy with %s', (_, working) => {
		expect(wholeCost(costed(), working, rates)?.parts.map(({ part }) => part)).not.toContain('energy');
	});

	it('counts what is free as free, not as unknown', () => {
		const whole = wholeCost(costed(), { ...took, heat_min: 0 }, rates);
		expect(whole?.parts.find(({ part }) => part === 'energy')?.batch).toBe('0.00');
	});

	it('says nothing of a pack without one, and nothing at all without a price', () => {
		const loose = costed({
			product: { packPieces: null, materials: [] },
			cost: { batch: '1.0000', perPiece: '0.0313', perPack: null, unpriced: [] }
		});
		expect(wholeCost(loose, took, rates)).toMatchObject({ perPack: null });
		expect(wholeCost(loose, took, rates)?.parts.map(({ perPack }) => perPack)).toEqual([null, null, null]);
		const unpriced = { batch: null, perPiece: null, perPack: null, unpriced: ['flour'] };
		expect(wholeCost(costed({ cost: unpriced }), took, rates)).toBeNull();
	});

	it('parts of a pack add up to what the facts say of it, whatever its materials cost', () => {
		const odd = costed({
			cost: { batch: '6.5072', perPiece: '0.1162', perPack: '0.96', unpriced: [] },
			product: { packPieces: 8, materials: [{ name: 'band', cost: '0.034' }] }
		});
		// 0.034 is 0.03 to the cent; 0.96 − 0.03 = 0.93
		const parts = wholeCost(odd, UNTIMED, NONE)?.parts.map(({ perPack }) => perPack);
		expect(parts).toEqual(['0.93', '0.03']);
	});
});
