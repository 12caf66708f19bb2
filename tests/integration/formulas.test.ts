import { dough, surface } from '$core/testing/recipe.ts';
import { describe, expect, it } from 'vitest';
import { keptDraft } from '$lib/formula/kept-draft.ts';
import { newFormulaDraft } from '$lib/formula/draft.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { Refused, Stale } from '$lib/server/errors.ts';
import { discardDraft, saveDraft, startFormula } from '$lib/server/formulas/drafts.ts';
import { createFormula, duplicateFormula, keepFormula, setArchived } from '$lib/server/formulas/keep.ts';
import { coreLine } from '$lib/formula/recipe.ts';
import { getFormula, listFormulas, listVersions } from '$lib/server/formulas/read.ts';
import type { Formula, FormulaInput } from '$lib/formula/types.ts';
import { newId } from '$lib/server/rows.ts';
import { makeRoti, useBench } from './kitchen.ts';

const bench = useBench();

const STEP = {
	kind: 'rest' as const,
	text: 'Rest',
	minutesLow: 20,
	minutesHigh: 30,
	temperature_c: null,
	cue: 'a finger’s mark stays'
};

/** What keeping a formula unchanged would send. */
function inputOf(formula: Formula): FormulaInput {
	const [product] = formula.products;
	if (!product) throw new Error('no product');
	const { id: productId, formulaId: _formulaId, name: _name, ...rest } = product;
	const { name, mixGap, family, choices, steps, lines } = formula;
	return { name, mixGap, family, choices, steps, lines, product: rest, productId };
}

describe('formulas', () => {
	it('come back as they were entered, in order', async () => {
		const { formulaId, flour, water, salt } = await makeRoti(bench, 'Plain roti');
		const formula = await getFormula(bench.db, bench.kitchen.id, formulaId);
		expect(formula).toMatchObject({ name: 'Plain roti', number: 1, mixGap: 'residue' });
		expect(formula.lines.map(coreLine)).toEqual([
			dough(flour, 1000, 'Dry'),
			dough(water, 600, 'Liquid'),
			dough(salt, 20, 'Dry'),
			{ ...surface(flour, 'dusting', 60), stage: 'On the board' }
		]);
		expect(formula.products[0]).toMatchObject({
			ballWeight_g: 60,
			packPieces: 6,
			price: '6.50',
			materials: [{ name: 'bag', cost: '0.11' }]
		});
	});

	it('copied by twenty at the same moment has twenty copies, each by a name of its own', async () => {
		const { formulaId } = await makeRoti(bench, 'Copied');
		const ids = await Promise.all(
			Array.from({ length: 20 }, () => duplicateFormula(bench.db, bench.kitchen.id, formulaId))
		);
		const copies = (await listFormulas(bench.db, bench.kitchen.id)).filter(({ id }) => ids.includes(id));
		expect(new Set(copies.map(({ name }) => name)).size).toBe(20);
		expect(copies.every(({ name, number }) => name.startsWith('Copied copy') && number === 1)).toBe(true);
	});

	it('sent twice is made once', async () => {
		const { formulaId } = await makeRoti(bench, 'Twice');
		const input = inputOf(await getFormula(bench.db, bench.kitchen.id, formulaId));
		const id = newId();
		await createFormula(bench.db, bench.kitchen.id, id, { ...input, name: 'Sent twice', productId: null });
		await createFormula(bench.db, bench.kitchen.id, id, { ...input, name: 'Sent twice', productId: null });
		expect(
			(await listFormulas(bench.db, bench.kitchen.id)).filter((formula) => formula.name === 'Sent twice')
		).toHaveLength(1);
		await expect(
			createFormula(bench.db, bench.kitchen.id, newId(), { ...input, name: 'sent TWICE', productId: null })
		).rejects.toThrow(Refused);
	});

	it('get a new version when lines or process changed, and only then', async () => {
		const { formulaId } = await makeRoti(bench, 'Versions');
		const read = () => getFormula(bench.db, bench.kitchen.id, formulaId);
		const keep = async (change: Partial<FormulaInput>) => {
			const formula = await read();
			await keepFormula(bench.db, bench.kitchen.id, formulaId, formula.version, {
				...inputOf(formula),
				...change
			});
		};
		await keep({ name: 'Versions, renamed' });
		expect((await read()).number).toBe(1); // a new name changes no line

		const first = await read();
		const batchId = await createBatch(bench.db, bench.kitchen, newId(), {
			productId: first.products[0]?.id ?? '',
			madeOn: '2026-03-01',
			factor: 2
		});
		await keep({
			lines: first.lines.map((line) =>
				line.use === 'dough' && line.used_g < 50 ? { ...line, used_g: 18 } : line
			)
		});
		const second = await read();
		expect(second).toMatchObject({ number: 2 });
		expect(second.lines[2]).toMatchObject({ used_g: 18 });
		const batch = await getBatch(bench.db, bench.kitchen, batchId);
		expect(batch).toMatchObject({ formulaNumber: 1 });
		expect(batch.lines[2]?.planned_g).toBe(40); // twice the 20 g of version 1

		await keep({ family: 'roti', choices: { water: 'cold' }, steps: [STEP] });
		const third = await read();
		expect(third).toMatchObject({ number: 3, family: 'roti', choices: { water: 'cold' }, steps: [STEP] });
		const versions = await listVersions(bench.db, bench.kitchen.id, formulaId);
		expect(versions.map((version) => [version.number, version.batches])).toEqual([
			[3, 0],
			[2, 0],
			[1, 1]
		]);
		expect(versions[2]?.lines[2]).toMatchObject({ used_g: 20 });
	});

	it('keep the words of a line, what is kept back and what the batch weighs', async () => {
		const { formulaId, water, salt } = await makeRoti(bench, 'Words');
		const formula = await getFormula(bench.db, bench.kitchen.id, formulaId);
		await keepFormula(bench.db, bench.kitchen.id, formulaId, formula.version, {
			...inputOf(formula),
			lines: [
				{
					...dough(water, 600),
					said: '2 ½ cups',
					note: 'warm',
					low_g: 590,
					high_g: 610,
					most_g: 640
				},
				{ ...dough(salt, 0), said: 'salt to taste', toWeigh: true }
			]
		});
		const kept = await getFormula(bench.db, bench.kitchen.id, formulaId);
		expect(kept.lines).toMatchObject([
			{ said: '2 ½ cups', note: 'warm', low_g: 590, high_g: 610, most_g: 640, toWeigh: false },
			{ said: 'salt to taste', toWeigh: true }
		]);
		const batchId = await createBatch(bench.db, bench.kitchen, newId(), {
			productId: kept.products[0]?.id ?? '',
			madeOn: '2026-03-02',
			factor: 2
		});
		const batch = await getBatch(bench.db, bench.kitchen, batchId);
		expect(batch.lines).toMatchObject([
			{ planned_g: 1200, most_g: 1280, toWeigh: false },
			{ planned_g: 0, toWeigh: true }
		]);
	});

	it('keep what is typed as a draft, however wrong, and a version ends it', async () => {
		const { formulaId } = await makeRoti(bench, 'Draft');
		const opened = await getFormula(bench.db, bench.kitchen.id, formulaId);
		const draft = { ...keptDraft(opened), name: 'Draft, typed' };
		const [line] = draft.lines;
		if (line) line.grams = 'a lot';
		const version = await saveDraft(bench.db, bench.kitchen.id, formulaId, opened.version, draft);
		expect(version).toBe(opened.version + 1);
		const typed = await getFormula(bench.db, bench.kitchen.id, formulaId);
		expect(typed).toMatchObject({ name: 'Draft', number: 1, draft: { name: 'Draft, typed' } });
		expect(typed.draft?.lines[0]?.grams).toBe('a lot');
		await expect(saveDraft(bench.db, bench.kitchen.id, formulaId, opened.version, draft)).rejects.toThrow(
			Stale
		);

		await discardDraft(bench.db, bench.kitchen.id, formulaId, version);
		const back = await getFormula(bench.db, bench.kitchen.id, formulaId);
		expect(back.draft).toBeNull();
		await keepFormula(bench.db, bench.kitchen.id, formulaId, back.version, {
			...inputOf(back),
			name: 'Draft, kept'
		});
		expect(await getFormula(bench.db, bench.kitchen.id, formulaId)).toMatchObject({
			name: 'Draft, kept',
			draft: null
		});
	});

	it('begin as drafts under a free name, and cannot be made before a version is kept', async () => {
		const start = () => startFormula(bench.db, bench.kitchen.id, newFormulaDraft, 'Begun');
		const [one, two] = [await start(), await start()];
		expect((await getFormula(bench.db, bench.kitchen.id, one)).name).toBe('Begun');
		const second = await getFormula(bench.db, bench.kitchen.id, two);
		expect(second).toMatchObject({
			name: 'Begun 2',
			number: 0,
			versionId: '',
			lines: [],
			draft: { name: 'Begun 2' }
		});
		await expect(discardDraft(bench.db, bench.kitchen.id, two, second.version)).rejects.toThrow(Refused);
		await setArchived(bench.db, bench.kitchen.id, two, true);
		expect((await getFormula(bench.db, bench.kitchen.id, two)).archived).toBe(true);
	});

	it('begun at the same time get a name each', async () => {
		const start = () => startFormula(bench.db, bench.kitchen.id, newFormulaDraft, 'At once');
		const ids = await Promise.all([start(), start(), start()]);
		const names = await Promise.all(
			ids.map(async (id) => (await getFormula(bench.db, bench.kitchen.id, id)).name)
		);
		expect(names.sort()).toEqual(['At once', 'At once 2', 'At once 3']);
	});

	it('are duplicated with their version and product', async () => {
		const { formulaId } = await makeRoti(bench, 'Original');
		const copy = await getFormula(
			bench.db,
			bench.kitchen.id,
			await duplicateFormula(bench.db, bench.kitchen.id, formulaId)
		);
		const original = await getFormula(bench.db, bench.kitchen.id, formulaId);
		expect(copy).toMatchObject({ name: 'Original copy', number: 1, lines: original.lines });
		expect(copy.products[0]).toMatchObject({ ballWeight_g: 60, packPieces: 6 });
	});

	it('a stale save is refused and changes nothing', async () => {
		const { formulaId } = await makeRoti(bench, 'Stale');
		const opened = await getFormula(bench.db, bench.kitchen.id, formulaId);
		await keepFormula(bench.db, bench.kitchen.id, formulaId, opened.version, {
			...inputOf(opened),
			name: 'Stale, theirs'
		});
		await expect(
			keepFormula(bench.db, bench.kitchen.id, formulaId, opened.version, {
				...inputOf(opened),
				name: 'Stale, mine'
			})
		).rejects.toThrow(Stale);
		expect((await getFormula(bench.db, bench.kitchen.id, formulaId)).name).toBe('Stale, theirs');
	});
});
