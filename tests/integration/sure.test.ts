import { beforeAll, describe, expect, it } from 'vitest';
import { NUTRIENTS, type Nutrient } from '../../core/composition/nutrients.ts';
import { sure } from '../../core/sure/sure.ts';
import { addComposition } from '../../src/lib/server/compositions.ts';
import { Refused } from '../../src/lib/server/errors.ts';
import { listLabels } from '../../src/lib/server/labels/read.ts';
import { newId } from '../../src/lib/server/rows.ts';
import { sureSubject } from '../../src/lib/server/sure/question.ts';
import { addReport, laboratoryReports, withdrawReport } from '../../src/lib/server/sure/reports.ts';
import { assumedSpreads, saveSpreads } from '../../src/lib/server/sure/spreads.ts';
import { unsureFigures } from '../../src/lib/server/sure/unsure.ts';
import { demoLoaded, useBench } from './kitchen.ts';

const bench = useBench();
beforeAll(async () => {
	bench.kitchen = await demoLoaded(bench.db);
});
const nothing = () =>
	Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, null])) as Record<Nutrient, number | null>;
const productOf = async (name: string) => {
	const label = (await listLabels(bench.db, bench.kitchen)).find((each) => each.product.name === name);
	if (!label) throw new Error(`the demo has no ${name}`);
	return label.product.id;
};

describe('what is asked of the demo', () => {
	it('a label’s sources, pack intervals, spooned lines and batches are in its assumptions, and no price', async () => {
		const id = await productOf('Beet and cumin roti');
		const { recipe, given, history, lines } = await sureSubject(
			bench.db,
			bench.kitchen,
			'label',
			id,
			'label'
		);
		expect(given.question).toBe('label');
		expect([...given.sources.values()]).toContain('table');
		expect(given.batches.length).toBeGreaterThanOrEqual(3);
		expect(history.batches).toBeGreaterThanOrEqual(3);
		expect(given.pooled.cookLoss).toBeGreaterThan(0);
		expect(lines).toHaveLength(recipe?.formula.lines.length ?? 0);
		expect(recipe?.ingredients.every(({ price }) => price === null)).toBe(true);
		if (!recipe) throw new Error('it derives');
		const outcome = sure(recipe, given, 500);
		expect(outcome.ok && outcome.value.figures.some((figure) => figure.printed !== null)).toBe(true);
	});

	it('a batch is asked about itself by what was weighed', async () => {
		const [batch] = await bench.db('batches').whereNotNull('closed_at').orderBy('id').select('id');
		const subject = await sureSubject(bench.db, bench.kitchen, 'batch', batch?.id ?? '', 'batch');
		expect(subject.given.question).toBe('batch');
		expect(subject.recipe?.measured.finishedWeights_g.length).toBeGreaterThan(0);
	});

	it('a laboratory’s values are as sure as it states: half of the expanded uncertainty', async () => {
		const id = await productOf('Beet and cumin roti');
		const { recipe } = await sureSubject(bench.db, bench.kitchen, 'label', id, 'label');
		const flour = recipe?.ingredients[0];
		if (!flour) throw new Error('it has a flour');
		await addComposition(bench.db, bench.kitchen.id, flour.id, {
			per100g: flour.per100g,
			source: 'laboratory',
			sourceNote: 'Bench analytics, sack of May',
			uncertainty_percent: 8
		});
		const { given } = await sureSubject(bench.db, bench.kitchen, 'label', id, 'label');
		expect(given.sources.get(flour.id)).toBe('laboratory');
		const protein = given.values.find(
			(each) => each.ingredient === flour.id && each.nutrient === 'protein_g'
		);
		// 8 % expanded are 4 % standard.
		expect(protein).toEqual({ ingredient: flour.id, nutrient: 'protein_g', cv: 0.04, range: null });
		// Carbohydrate stays what the others leave.
		expect(given.values.some((each) => each.nutrient === 'carbohydrate_g')).toBe(false);
	});

	it('what is not there is not there, and a formula that was never kept says so', async () => {
		await expect(sureSubject(bench.db, bench.kitchen, 'label', newId(), 'label')).rejects.toThrow(/not here/);
		await expect(sureSubject(bench.db, bench.kitchen, 'batch', newId(), 'batch')).rejects.toThrow();
	});

	it('labels name what may not survive, the least sure first', async () => {
		const labels = await listLabels(bench.db, bench.kitchen);
		const unsure = await unsureFigures(bench.db, bench.kitchen, labels);
		const all = [...unsure.values()].flat();
		expect(all.length).toBeGreaterThan(0);
		for (const figures of unsure.values()) {
			const chances = figures.map(({ survives }) => survives);
			expect(chances).toEqual(chances.toSorted((a, b) => a - b));
			expect(chances.every((chance) => chance < 0.95)).toBe(true);
		}
		// Asked again, it is the same without being drawn again.
		expect(await unsureFigures(bench.db, bench.kitchen, labels)).toEqual(unsure);
	});
});

describe('spreads that are assumed', () => {
	it('are the kitchen’s own where it says so, and usual otherwise', async () => {
		const id = await productOf('Beet and cumin roti');
		const spreads = [
			{ input: 'sodium_mg', spread: 0.05, note: 'three analyses' },
			{ input: 'calibration', spread: 0.002, note: '' }
		];
		await saveSpreads(bench.db, bench.kitchen.id, spreads);
		expect(await assumedSpreads(bench.db, bench.kitchen.id)).toEqual(
			spreads.toSorted((a, b) => (a.input < b.input ? -1 : 1))
		);
		const { given } = await sureSubject(bench.db, bench.kitchen, 'label', id, 'label');
		expect(given.cvs).toEqual({ sodium_mg: 0.05 });
		expect(given.scale.calibration).toBe(0.002);
		await saveSpreads(bench.db, bench.kitchen.id, []);
		const usual = await sureSubject(bench.db, bench.kitchen, 'label', id, 'label');
		expect(usual.given.cvs).toEqual({});
	});

	it('beyond a whole are refused by the database too', async () => {
		await expect(
			saveSpreads(bench.db, bench.kitchen.id, [{ input: 'sodium_mg', spread: 1.5, note: '' }])
		).rejects.toThrow();
	});
});

describe('a laboratory’s report', () => {
	it('is kept once, withdrawn and not removed, and of nothing refused', async () => {
		const { db, kitchen } = bench;
		const productId = await productOf('Beet and cumin roti');
		const form = {
			id: newId(),
			laboratory: 'Bench analytics',
			reportedOn: '2026-11-20',
			found: { ...nothing(), sodium_mg: 412 },
			uncertainty: { ...nothing(), sodium_mg: 30 },
			note: 'packs of the 18th'
		};
		await addReport(db, kitchen.id, productId, form);
		await addReport(db, kitchen.id, productId, form);
		expect(await laboratoryReports(db, kitchen.id, productId)).toEqual([
			{
				id: form.id,
				laboratory: 'Bench analytics',
				reportedOn: '2026-11-20',
				found: { sodium_mg: { value: 412, uncertainty: 30 } },
				note: 'packs of the 18th'
			}
		]);
		await withdrawReport(db, kitchen.id, form.id);
		expect(await laboratoryReports(db, kitchen.id, productId)).toEqual([]);
		expect(await db('laboratory_reports').where('id', form.id)).toHaveLength(1);
		await expect(db('laboratory_reports').update({ note: 'other packs' })).rejects.toThrow(/never edited/);
		await expect(db('laboratory_reports').del()).rejects.toThrow(/never removed/);
		await expect(
			addReport(db, kitchen.id, productId, { ...form, id: newId(), found: nothing() })
		).rejects.toThrow(Refused);
	});
});
