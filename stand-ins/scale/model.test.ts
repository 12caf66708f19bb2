import { describe, expect, it } from 'vitest';
import { readScaleLine } from '../../core/scale/line.ts';
import { scaleModel, type ScaleTraits } from './model.ts';

/** Without noise: the twelve numbers that make it sum to nothing. */
const still = () => 0.5;

function scale(traits: Partial<ScaleTraits> = {}, random = still) {
	const model = scaleModel(random, traits);
	const at = (ms: number) => {
		const read = readScaleLine(model.line(ms));
		return read?.state === 'weight' ? read : { grams: null, steady: null, state: read?.state };
	};
	return { model, at };
}

describe('the simulated scale', () => {
	it('shows nothing before anything lies on it, and comes to what is put on', () => {
		const { model, at } = scale();
		expect(at(0)).toMatchObject({ grams: 0, steady: true });
		model.put(500, 0);
		expect(at(50).steady).toBe(false);
		expect(at(50).grams).not.toBe(500);
		expect(at(3000)).toMatchObject({ grams: 500, steady: true });
		model.put(-120, 3000);
		expect(at(6000).grams).toBe(380);
	});

	it('never holds less than nothing', () => {
		const { model, at } = scale();
		model.put(-50, 0);
		expect(at(3000).grams).toBe(0);
	});

	it('swings past the load before it rests', () => {
		const { model, at } = scale();
		model.put(1000, 0);
		const highest = Math.max(...Array.from({ length: 100 }, (_, index) => at(index * 20).grams ?? 0));
		expect(highest).toBeGreaterThan(1000);
	});

	it('shows its steps: half a step up, less than half down', () => {
		const { model, at } = scale({ division_g: 5 });
		model.put(12.5, 0);
		expect(at(9000).grams).toBe(15);
		model.put(-0.1, 9000);
		expect(at(18_000).grams).toBe(10);
	});

	it('is overloaded past its capacity, not at it', () => {
		const { model, at } = scale({ capacity_g: 5000 });
		model.put(5000, 0);
		expect(at(9000).grams).toBe(5000);
		model.put(0.1, 9000);
		expect(at(18_000).state).toBe('overload');
	});

	it('drifts by so much a minute, from when it begins to', () => {
		const { model, at } = scale();
		expect(at(60_000).grams).toBe(0);
		model.change({ drift_gPerMinute: 3 }, 60_000);
		expect(at(120_000).grams).toBe(3);
		model.change({ drift_gPerMinute: 0 }, 120_000);
		expect(at(600_000).grams).toBe(3);
	});

	it('with a weak battery says so now and then, and is noisier', () => {
		const spread = (batteryLow: boolean) => {
			let seed = 1;
			const { at } = scale({ batteryLow, division_g: 0.1 }, () => {
				seed = (seed * 16807) % 2147483647;
				return seed / 2147483647;
			});
			const lines = Array.from({ length: 400 }, (_, index) => at(index * 100));
			const grams = lines.flatMap((line) => line.grams ?? []);
			return {
				warned: lines.some((line) => line.grams === null),
				most: Math.max(...grams.map(Math.abs))
			};
		};
		const [good, weak] = [spread(false), spread(true)];
		expect([good.warned, weak.warned]).toEqual([false, true]);
		expect(weak.most).toBeGreaterThan(good.most);
	});
});
