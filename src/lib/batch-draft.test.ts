import { describe, expect, it } from 'vitest';
import { dough, recipe } from '$core/testing/recipe.ts';
import { readBatchDraft, type BatchDraft } from './batch-draft.ts';
import type { BatchLine } from './server/batches/types.ts';

const line = (id: string, more: Partial<BatchLine> = {}): BatchLine => ({
	id,
	ingredient: id,
	name: id,
	use: 'dough',
	stage: '',
	planned_g: 100,
	most_g: null,
	toWeigh: false,
	plannedUptake_g: null,
	weighed_g: null,
	weighedUptake_g: null,
	...more
});
const BATCH = {
	recipe: recipe(),
	lines: [line('flour'), line('water'), line('flour', { use: 'dusting' })]
};
const draft = (more: Partial<BatchDraft> = {}): BatchDraft => ({
	id: 'B',
	version: 1,
	madeOn: '2026-03-14',
	beganAt: '',
	equipment: [],
	ballWeight: '50',
	ballCount: '31',
	rejects: '1',
	sellable: '',
	packs: '',
	loose: '',
	servingPieces: '',
	note: '',
	reason: '',
	doughWeight: '1,59 kg',
	leftover: '',
	ballWeights: '50 51',
	finishedWeights: '42 42.5',
	lines: [
		{ id: 'flour', grams: '1000', uptake: '' },
		{ id: 'water', grams: '600', uptake: '' },
		{ id: 'dust', grams: '40', uptake: '18' }
	],
	...more
});
const read = (more: Partial<BatchDraft> = {}) => readBatchDraft(draft(more), BATCH);

describe('a batch as it is typed', () => {
	it('is the recipe its measurements make', () => {
		const { recipe: made, errors } = read();
		expect(errors).toEqual({});
		expect(made?.formula.lines).toEqual([
			dough('flour', 1000),
			dough('water', 600),
			{ ingredient: 'flour', use: 'dusting', consumed_g: 40, uptake_g: 18 }
		]);
		expect(made?.batch).toEqual({
			mixGap: 'residue',
			doughWeight_g: 1590,
			ballWeights_g: [50, 51],
			finishedWeights_g: [42, 42.5],
			rejects: 1
		});
		expect(made?.piece).toMatchObject({ ballWeight_g: 50, count: 31 });
	});

	it('leaves out what nobody weighed or counted yet', () => {
		const { recipe: made } = read({ doughWeight: '', ballCount: '', ballWeights: '', finishedWeights: '' });
		expect(made?.batch).toEqual({ mixGap: 'residue', rejects: 1 });
		expect(made?.piece).not.toHaveProperty('count');
	});

	it('leaves to the core what stays on the pieces while it is not weighed', () => {
		const [a, b, c] = draft().lines;
		const { recipe: made } = read({ lines: [a, b, { ...c, uptake: '' }] as BatchDraft['lines'] });
		expect(made?.formula.lines[2]).toEqual({ ingredient: 'flour', use: 'dusting', consumed_g: 40 });
	});

	it('keeps what was counted apart', () => {
		expect(read({ sellable: '30', packs: '5', loose: '0', leftover: '12' })).toMatchObject({
			sellable: 30,
			packs: 5,
			loose: 0,
			leftover_g: 12
		});
	});

	it.each([
		['ballWeight', { ballWeight: '' }, 'empty'],
		['rejects', { rejects: '' }, 'empty'],
		['rejects', { rejects: '1.5' }, 'whole number'],
		['doughWeight', { doughWeight: 'heavy' }, 'not a weight'],
		['ballWeights', { ballWeights: '50 0' }, '0 g is not a reading'],
		['finishedWeights', { finishedWeights: '42,425' }, 'one weight or two']
	])('says at %s what cannot be read', (at, more, says) => {
		const { recipe: made, errors } = read(more);
		expect(made).toBeNull();
		expect(Object.keys(errors)).toEqual([at]);
		expect(errors[at]).toContain(says);
	});

	it('says at a line what cannot be: nothing typed, and more staying on than was used up', () => {
		const [a, b, c] = draft().lines;
		const { errors } = read({
			lines: [{ ...a, grams: '' }, b, { ...c, uptake: '40.1' }] as BatchDraft['lines']
		});
		expect(errors['lines[0].grams']).toContain('empty');
		expect(errors['lines[2].uptake']).toBe('more than the 40 used up');
		// All of it may stay.
		expect(read({ lines: [a, b, { ...c, uptake: '40' }] as BatchDraft['lines'] }).errors).toEqual({});
	});

	it('has no figures while a count or the dough is nothing', () => {
		expect(read({ ballCount: '0' }).recipe).toBeNull();
		expect(read({ doughWeight: '0' }).recipe).toBeNull();
	});
});
