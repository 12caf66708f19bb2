import { describe, expect, it } from 'vitest';
import { NOT_MEASURED } from '$core/formula/types.ts';
import { dough, recipe, surface } from '$core/testing/recipe.ts';
import { readBatchDraft, type BatchDraft } from './draft.ts';
import type { BatchLine } from './types.ts';

const line = (id: string, more: Partial<BatchLine> = {}): BatchLine => ({
	id,
	ingredient: id,
	name: id,
	use: 'dough',
	stage: null,
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
	usedUntil: '',
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
			surface('flour', 'dusting', 40, 18)
		]);
		expect(made?.measured).toEqual({
			doughWeight_g: 1590,
			ballWeights_g: [50, 51],
			finishedWeights_g: [42, 42.5],
			rejects: 1,
			balls: 31
		});
		expect(made?.product).toMatchObject({ ballWeight_g: 50 });
	});

	it('leaves out what nobody weighed or counted yet', () => {
		const { recipe: made } = read({ doughWeight: '', ballCount: '', ballWeights: '', finishedWeights: '' });
		expect(made?.measured).toEqual({ ...NOT_MEASURED, rejects: 1 });
	});

	it('leaves to the core what stays on the pieces while it is not weighed', () => {
		const [a, b, c] = draft().lines;
		const { recipe: made } = read({ lines: [a, b, { ...c, uptake: '' }] as BatchDraft['lines'] });
		expect(made?.formula.lines[2]).toEqual(surface('flour', 'dusting', 40));
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

	it('takes a line that nobody weighed as not weighed, at its planned grams; a closed batch has every line', () => {
		const [a, b, c] = draft().lines;
		const empty = draft({ lines: [{ ...a, grams: '' }, b, c] as BatchDraft['lines'] });
		const { recipe: made, lines_g, errors } = readBatchDraft(empty, BATCH);
		expect(errors).toEqual({});
		expect(made?.formula.lines[0]?.used_g).toBe(100);
		expect(lines_g).toEqual([null, 600, 40]);
		expect(readBatchDraft(empty, BATCH, true).errors['lines[0].grams']).toContain('empty');
	});

	it('says at a line what cannot be: more staying on than was used up', () => {
		const [a, b, c] = draft().lines;
		const { errors } = read({ lines: [a, b, { ...c, uptake: '40.1' }] as BatchDraft['lines'] });
		expect(errors['lines[2].uptake']).toBe('more than the 40 used up');
		// All of it may stay.
		expect(read({ lines: [a, b, { ...c, uptake: '40' }] as BatchDraft['lines'] }).errors).toEqual({});
	});

	it('has no figures while a count or the dough is nothing', () => {
		expect(read({ ballCount: '0' }).recipe).toBeNull();
		expect(read({ doughWeight: '0' }).recipe).toBeNull();
	});
});
