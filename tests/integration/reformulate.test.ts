import { describe, expect, it } from 'vitest';
import { batchesLeft } from '$lib/server/batches/left.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { cookLossHistory } from '$lib/server/batches/history.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import { listSummaries } from '$lib/server/batches/standing.ts';
import { Refused, Stale } from '$lib/server/errors.ts';
import { saveDraft } from '$lib/server/formulas/drafts.ts';
import { getFormula, listVersions } from '$lib/server/formulas/read.ts';
import { keptDraft } from '$lib/formula/kept-draft.ts';
import { heldBatch } from '$lib/server/labels/held.ts';
import { reformulateBasis } from '$lib/server/reformulate/basis.ts';
import { planTrial, takeReformulated } from '$lib/server/reformulate/take.ts';
import { newId } from '$lib/server/rows.ts';
import { makeRoti, measured, useBench } from './kitchen.ts';

const bench = useBench();
const of = async (formulaId: string) => getFormula(bench.db, bench.kitchen.id, formulaId);
/** 1000 g flour, 600 g water and 20 g salt with 8 g less of it. */
const lessSalt = async (formulaId: string) => {
	const { lines } = await of(formulaId);
	return lines.map(({ ingredient, used_g }, at) => ({ ingredient, grams: at === 2 ? 12 : used_g }));
};

describe('a reformulated formula', () => {
	it('is kept as the next version with its reason; what was said of a changed line is no longer', async () => {
		const { formulaId } = await makeRoti(bench, 'Less salt');
		const before = await of(formulaId);
		const lines = await lessSalt(formulaId);
		await takeReformulated(bench.db, bench.kitchen, formulaId, {
			version: before.version,
			lines,
			reason: 'sodium at most 140 mg'
		});
		const after = await of(formulaId);
		expect(after.number).toBe(2);
		expect(after.lines[2]).toMatchObject({ used_g: 12, said: '', low_g: null });
		expect(after.lines[0]).toEqual(before.lines[0]);
		const [second, first] = await listVersions(bench.db, bench.kitchen.id, formulaId);
		expect([second?.reason, first?.reason]).toEqual(['sodium at most 140 mg', '']);
	});

	it('is not taken over what somebody kept or typed meanwhile', async () => {
		const { formulaId } = await makeRoti(bench, 'Meanwhile');
		const { version } = await of(formulaId);
		const lines = await lessSalt(formulaId);
		const take = (more: object) =>
			takeReformulated(bench.db, bench.kitchen, formulaId, { version, lines, reason: 'less', ...more });
		await expect(take({ version: version + 1 })).rejects.toBeInstanceOf(Stale);
		await expect(take({ lines: lines.slice(1) })).rejects.toBeInstanceOf(Refused);
		const kept = await of(formulaId);
		const draft = { ...keptDraft(kept), name: 'Typed' };
		const now = await saveDraft(bench.db, bench.kitchen.id, formulaId, kept.version, draft);
		await expect(take({ version: now })).rejects.toThrow('keep it as a version or discard it first');
	});

	it('goes by the kept version, with prices, the family’s windows and the scale’s step', async () => {
		const { formulaId } = await makeRoti(bench, 'Basis');
		const basis = await reformulateBasis(bench.db, bench.kitchen, formulaId);
		expect(basis).toMatchObject({ number: 1, step_g: 1, problem: '' });
		expect(basis.recipe?.formula.lines.map(({ used_g }) => used_g)).toEqual([1000, 600, 20, 60]);
	});
});

/** Of half a batch. */
const HALF = { ballCount: 13, rejects: 1, sellable: 12, packs: 2, doughWeight_g: 800, leftover_g: 20 };

describe('a trial', () => {
	const plan = async (name: string) => {
		const { formulaId } = await makeRoti(bench, name);
		const { version } = await of(formulaId);
		const id = newId();
		const asked = {
			id,
			version,
			madeOn: '2026-11-20',
			factor: 0.5,
			lines: await lessSalt(formulaId),
			reason: 'sodium at most 140 mg',
			figures: [{ figure: 'sodium_mg' as const, per: 'piece' as const }]
		};
		expect(await planTrial(bench.db, bench.kitchen, formulaId, asked)).toBe(id);
		return { formulaId, id, asked };
	};

	it('is a small batch of the new lines, with what it was and is worked out to be', async () => {
		const { id, formulaId, asked } = await plan('Tried');
		const batch = await getBatch(bench.db, bench.kitchen, id);
		expect(batch.lines.map(({ planned_g }) => planned_g)).toEqual([500, 300, 6, 30]);
		expect(batch.isTrial).toBe(true);
		const [promised] = batch.trial?.promised ?? [];
		// A ball of 60 g out of 1620 g holds 20 × 60 ÷ 1620 g of salt, then 12 × 60 ÷ 1612.
		expect((promised?.promised ?? 0) / (promised?.now ?? 1)).toBeCloseTo(12 / 1612 / (20 / 1620), 2);
		expect(batch.trial?.asks).toEqual(['loss']);
		// Sent again it is the same one; of a formula somebody changed it is none.
		expect(await planTrial(bench.db, bench.kitchen, formulaId, asked)).toBe(id);
		await expect(
			planTrial(bench.db, bench.kitchen, formulaId, { ...asked, id: newId(), version: 99 })
		).rejects.toThrow('look at it again');
		expect((await of(formulaId)).number).toBe(1);
	});

	it('fits no label, and says nothing of how the formula goes', async () => {
		const { id, formulaId } = await plan('Held');
		const batch = await getBatch(bench.db, bench.kitchen, id);
		await recordBatch(bench.db, bench.kitchen, id, batch.version, measured(batch, HALF));
		expect((await heldBatch(bench.db, bench.kitchen, id))[0]).toContain('it is a trial');
		const left = (await batchesLeft(bench.db, bench.kitchen)).find((each) => each.id === id);
		expect(left?.held[0]).toContain('it is a trial');
		const summaries = await listSummaries(bench.db, bench.kitchen, { formulaId, newest: 5 });
		expect(summaries.map(({ isTrial }) => isTrial)).toEqual([true]);
		expect(cookLossHistory(summaries).get(formulaId) ?? null).toBeNull();
	});
});
