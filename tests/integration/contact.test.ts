import { dough } from '$core/testing/recipe.ts';
import { describe, expect, it } from 'vitest';
import { sourceKey, type Proposal } from '$core/allergens/contact.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import { cleansOn, recordCleans, voidClean } from '$lib/server/contact/cleans.ts';
import { decide } from '$lib/server/contact/decide.ts';
import type { DecisionForm } from '$lib/server/edge/contact.ts';
import { contactOfBatch } from '$lib/server/contact/read.ts';
import { addRisk, endRisk, standingRisks } from '$lib/server/contact/risks.ts';
import { refuseUnsaid } from '$lib/server/contact/unsaid.ts';
import { addEquipment, listEquipment, retireEquipment } from '$lib/server/equipment.ts';
import { Refused } from '$lib/server/errors.ts';
import { getFormula } from '$lib/server/formulas/read.ts';
import { keepFormula } from '$lib/server/formulas/keep.ts';
import { addIngredient } from '$lib/server/ingredients.ts';
import { today } from '$lib/server/kitchens.ts';
import { getLabel } from '$lib/server/labels/read.ts';
import { newId } from '$lib/server/rows.ts';
import { ingredientInput, makeRoti, measured, useBench } from './kitchen.ts';

const bench = useBench();

/** The first product of a formula. */
function productOf({ products: [product] }: Awaited<ReturnType<typeof getFormula>>) {
	if (!product) throw new Error('no product');
	return product;
}

/** A roti with a further ingredient in its dough. */
async function rotiWith(name: string, more: Parameters<typeof ingredientInput>[1]) {
	const { db, kitchen } = bench;
	const made = await makeRoti(bench, name);
	const extra = await addIngredient(db, kitchen.id, ingredientInput(`${name} extra`, more));
	const formula = await getFormula(db, kitchen.id, made.formulaId);
	await keepFormula(db, kitchen.id, made.formulaId, formula.version, {
		name,
		mixGap: formula.mixGap,
		lines: [...formula.lines, dough(extra, 10, 'Dry')],
		product: productOf(formula),
		productId: made.productId
	});
	return { ...made, extra };
}

/** A batch recorded today, begun at a time on some equipment. */
async function bake(
	productId: string,
	beganAt: string | null,
	equipment: string[],
	usedUntil: string | null = null,
	packs: number | null = 4
) {
	const { db, kitchen } = bench;
	const madeOn = today(kitchen);
	const id = await createBatch(db, kitchen, newId(), { productId, madeOn, factor: 1 });
	const batch = await getBatch(db, kitchen, id);
	await recordBatch(
		db,
		kitchen,
		id,
		batch.version,
		measured(batch, { beganAt, usedUntil, equipment, packs })
	);
	return getBatch(db, kitchen, id);
}
const contact = (batch: { id: string; madeOn: string; productId: string }) =>
	contactOfBatch(bench.db, bench.kitchen, batch);
/** What a product's label would say now. */
async function contentOf(productId: string) {
	const { content } = await getLabel(bench.db, bench.kitchen, productId);
	if (!content) throw new Error('no label can be derived');
	return content;
}
const names = (open: readonly Proposal[]) => open.map((proposal) => proposal.allergen);

describe('cross-contact', () => {
	it('is proposed from the day’s earlier batch, until a clean in between is recorded', async () => {
		const { db, kitchen } = bench;
		const board = await addEquipment(db, kitchen.id, 'Board of the day');
		const seeded = await rotiWith('Seeded', { allergens: ['sesame'] });
		const plain = await makeRoti(bench, 'Plain after seeded');
		const first = await bake(seeded.productId, '08:00', [board], '09:15');
		const second = await bake(plain.productId, '10:00', [board]);
		expect(names((await contact(first)).open)).toEqual([]);
		expect(names((await contact(second)).open)).toEqual(['sesame']);
		expect((await getLabel(db, kitchen, plain.productId)).blocks.map((block) => block.message)).toContain(
			'decide whether it may contain Sesame'
		);

		const clean = newId();
		for (let twice = 0; twice < 2; twice++)
			await recordCleans(db, kitchen.id, clean, {
				equipment: [board],
				cleanedOn: second.madeOn,
				at: '09:30',
				how: 'washed'
			});
		expect(await cleansOn(db, kitchen.id, [second.madeOn])).toHaveLength(1);
		expect(names((await contact(second)).open)).toEqual([]);
		await voidClean(db, kitchen.id, clean, 'it was the other board');
		expect(names((await contact(second)).open)).toEqual(['sesame']);
		await expect(db('cleans').where({ id: clean }).update({ how: 'x' })).rejects.toThrow('never edited');
	});

	it('is not undone by a clean while nothing but the desk tells when the other batch was done', async () => {
		const { db, kitchen } = bench;
		const board = await addEquipment(db, kitchen.id, 'Late board');
		const seeded = await rotiWith('Seeded late', { allergens: ['sesame'] });
		const plain = await makeRoti(bench, 'Plain after late');
		// Recorded at the desk just now: the last use may have been as late.
		await bake(seeded.productId, '00:00', [board]);
		const second = await bake(plain.productId, '00:02', [board]);
		await recordCleans(db, kitchen.id, newId(), {
			equipment: [board],
			cleanedOn: second.madeOn,
			at: '00:01',
			how: 'washed'
		});
		expect(names((await contact(second)).open)).toEqual(['sesame']);
	});

	it('is not undone by a clean while the other batch is still on the bench, and comes from one begun meanwhile', async () => {
		const { db, kitchen } = bench;
		const board = await addEquipment(db, kitchen.id, 'Busy board');
		const seeded = await rotiWith('Seeded on the bench', { allergens: ['sesame'] });
		const plain = await makeRoti(bench, 'Plain meanwhile');
		// It has no packs yet, so it may use the board again.
		const open = await bake(seeded.productId, '08:00', [board], null, null);
		const second = await bake(plain.productId, '10:00', [board], '10:30');
		await recordCleans(db, kitchen.id, newId(), {
			equipment: [board],
			cleanedOn: second.madeOn,
			at: '09:59',
			how: 'washed'
		});
		expect(names((await contact(second)).open)).toEqual(['sesame']);
		expect((await contact(second)).day.find(({ id }) => id === open.id)?.usedUntil).toBe('24:00');
	});

	it('refuses a last use before the beginning', async () => {
		const plain = await makeRoti(bench, 'Plain used before');
		await expect(bake(plain.productId, '10:00', [], '09:59')).rejects.toThrow(Refused);
	});

	it('of one batch is declined with a reason; the next batch asks again; accepted, the label says it', async () => {
		const { db, kitchen } = bench;
		const bowl = await addEquipment(db, kitchen.id, 'Bowl of the day');
		const seeded = await rotiWith('Seeded again', { allergens: ['sesame'] });
		const plain = await makeRoti(bench, 'Plain again');
		await bake(seeded.productId, '08:00', [bowl]);
		const second = await bake(plain.productId, '10:00', [bowl]);
		const answer = async (batch: typeof second, form: Partial<DecisionForm>) => {
			const now = await contact(batch);
			const proposal = [...now.open, ...now.declined][0];
			await decide(db, kitchen.id, plain.productId, now, {
				allergen: 'sesame',
				answer: 'declined',
				source: proposal ? sourceKey(proposal.source) : '',
				reason: 'washed, but not noted',
				...form
			});
		};
		const unsaid = async (batch: typeof second) =>
			refuseUnsaid(db, kitchen, batch, await contentOf(plain.productId));
		await expect(unsaid(second)).rejects.toThrow('whether it may contain Sesame');
		await answer(second, {});
		expect((await contact(second)).open).toEqual([]);
		await unsaid(second);

		const third = await bake(plain.productId, '12:00', [bowl]);
		expect(names((await contact(third)).open)).toEqual(['sesame']);
		const before = await contentOf(plain.productId);
		await answer(third, { answer: 'accepted', reason: 'the bowl was only wiped' });
		const label = await getLabel(db, kitchen, plain.productId);
		expect(label.content?.mayContain).toBe('May contain: Sesame.');
		expect(label.contact.decisions.map(({ answer, reason }) => [answer, reason])).toEqual([
			['accepted', 'the bowl was only wiped'],
			['declined', 'washed, but not noted']
		]);
		expect(label.contact.decisions[0]?.sourceWords).toMatch(
			/^Sesame was handled in Seeded again \S+ on the same bowl of the day before batch \S+, with no clean/
		);
		await expect(refuseUnsaid(db, kitchen, third, before)).rejects.toThrow('does not say that batch');
		await unsaid(third);

		await expect(answer(third, { answer: 'accepted' })).rejects.toThrow('decided meanwhile');
		await answer(third, { answer: 'withdrawn' });
		expect(names((await contact(third)).open)).toEqual(['sesame']);
		await expect(answer(third, { answer: 'withdrawn' })).rejects.toThrow('does not say it');
		await expect(db('contact_decisions').delete()).rejects.toThrow('never edited');
	});

	it('takes an unknown time for before, and names what was never confirmed', async () => {
		const { db, kitchen } = bench;
		const griddle = await addEquipment(db, kitchen.id, 'Griddle of the day');
		const loose = await rotiWith('Loose', { allergens: [], confirmedOn: null, evidence: '' });
		const plain = await makeRoti(bench, 'Plain after loose');
		await bake(loose.productId, null, [griddle]);
		const second = await bake(plain.productId, '10:00', [griddle]);
		expect((await contact(second)).unconfirmed).toEqual(['Loose extra']);
		const { blocks } = await getLabel(db, kitchen, plain.productId);
		expect(blocks.map((block) => block.message)).toContain(
			'nobody has confirmed the allergens of Loose extra, handled before it on the same equipment'
		);
		await expect(refuseUnsaid(db, kitchen, second, await contentOf(plain.productId))).rejects.toThrow(
			'confirm the allergens of'
		);
	});

	it('is proposed from a pack that says may contain, and from what is always about', async () => {
		const { db, kitchen } = bench;
		const oats = await rotiWith('Oaty', { allergens: ['oats'], mayContain: ['treenut:almond', 'wheat'] });
		const proposed = async () => names((await getLabel(db, kitchen, oats.productId)).contact.open);
		// wheat is in it already
		expect(await proposed()).toEqual(['treenut:almond']);
		const risk = await addRisk(db, kitchen.id, { allergen: 'peanut', why: 'the household eats them' });
		expect(await proposed()).toEqual(['treenut:almond', 'peanut']);
		await endRisk(db, kitchen.id, risk);
		expect(await standingRisks(db, kitchen.id)).toEqual([]);
		expect(await proposed()).toEqual(['treenut:almond']);
	});
});

describe('equipment', () => {
	it('a new batch touches what the product’s newest did, or everything in use', async () => {
		const { db, kitchen } = bench;
		const press = await addEquipment(db, kitchen.id, 'Press of the day');
		const { productId } = await makeRoti(bench, 'Pressed');
		const plan = async () => {
			const madeOn = '2026-02-01';
			const id = await createBatch(db, kitchen, newId(), { productId, madeOn, factor: 1 });
			return getBatch(db, kitchen, id);
		};
		const first = await plan();
		const inUse = (await listEquipment(db, kitchen.id)).filter((each) => !each.retired);
		expect(first.equipment.toSorted()).toEqual(inUse.map(({ id }) => id).toSorted());
		await recordBatch(db, kitchen, first.id, first.version, measured(first, { equipment: [press] }));
		expect((await plan()).equipment).toEqual([press]);

		await retireEquipment(db, kitchen.id, press);
		expect((await plan()).equipment).not.toContain(press);
		expect((await getBatch(db, kitchen, first.id)).equipment).toEqual([press]);
		expect(await addEquipment(db, kitchen.id, 'Press of the day')).toBe(press);
		await expect(addEquipment(db, kitchen.id, 'press of the day')).rejects.toThrow('already');
	});
});
