import { describe, expect, it } from 'vitest';
import { CHECKLIST } from '$core/profile/checklist.ts';
import { profileDraft } from '../../kitchen/profile-draft.ts';
import { batchForm, batchInput, planForm, type BatchForm } from './batch.ts';
import { countForm, lotForm } from './lot.ts';
import { profileForm, profileOf, type ProfileForm } from './profile.ts';

const ID = '01J0000000000000000000ABCD';
const BATCH = {
	id: ID,
	version: 3,
	madeOn: '2026-03-14',
	beganAt: '',
	usedUntil: '',
	equipment: [],
	ballWeight: '60',
	ballCount: '26',
	rejects: '2',
	sellable: '',
	packs: '',
	loose: '',
	servingPieces: '',
	note: '',
	reason: '',
	doughWeight: '1,6 kg',
	leftover: '',
	ballWeights: '60 60.5',
	finishedWeights: '',
	lines: [{ id: ID, grams: '1000', uptake: '' }]
};
const problems = (schema: { validate: typeof batchForm.validate }, form: object) =>
	schema
		.validate(form, { abortEarly: false })
		.error?.details.map((each) => [each.path.join('.'), each.message]);

describe('a batch form', () => {
	it('is what is recorded of it; what was not counted is not nothing', () => {
		const form = batchForm.validate(BATCH).value as BatchForm;
		expect(batchInput(form)).toMatchObject({
			ballCount: 26,
			rejects: 2,
			sellable: null,
			doughWeight_g: 1600,
			leftover_g: null,
			ballWeights_g: [60, 60.5],
			finishedWeights_g: [],
			lines: [{ id: ID, grams: 1000, uptake_g: null }]
		});
	});

	it('takes a line that nobody weighed as just that', () => {
		const form = batchForm.validate({ ...BATCH, lines: [{ id: ID, grams: '', uptake: '' }] })
			.value as BatchForm;
		expect(batchInput(form).lines).toEqual([{ id: ID, grams: null, uptake_g: null }]);
	});

	it.each([
		['ballCount', { ballCount: '0' }, 'from 1 to'],
		['rejects', { rejects: '' }, 'empty'],
		['doughWeight', { doughWeight: '0' }, 'more than 0 g'],
		['ballWeight', { ballWeight: '2 t' }, 'not a unit of weight'],
		['servingPieces', { servingPieces: '3' }, 'from 1 to 2'],
		['beganAt', { beganAt: '25:00' }, 'write the time as'],
		['usedUntil', { usedUntil: '24:00' }, 'write the time as'],
		['finishedWeights', { finishedWeights: '52 5200000' }, 'more than a tonne'],
		['lines.0', { lines: [{ id: ID, grams: '40', uptake: '40.001' }] }, 'more than what was used up'],
		['note', { note: 'x'.repeat(1001) }, 'longer than 1000']
	])('says what is wrong at %s', (path, more, says) => {
		const found = problems(batchForm, { ...BATCH, ...more });
		expect(found?.map(([at]) => at)).toEqual([path]);
		expect(found?.[0]?.[1]).toContain(says);
	});
});

describe('a plan', () => {
	const PLAN = { id: ID, productId: ID, madeOn: '2026-03-14', factor: '1 1/2' };
	it.each([
		['1 1/2', 1.5],
		['0.01', 0.01],
		['100', 100]
	])('is %s times the formula', (factor, value) => {
		expect(planForm.validate({ ...PLAN, factor }).value?.factor).toBe(value);
	});
	it.each(['0', '0.009', '100.1', 'twice', ''])('is never %j times', (factor) => {
		expect(problems(planForm as never, { ...PLAN, factor })?.map(([at]) => at)).toEqual(['factor']);
	});
});

describe('a lot that came', () => {
	const LOT = {
		id: ID,
		ingredientId: ID,
		material: '',
		supplier: 'mill',
		supplierCode: 'A 1',
		receivedOn: '2026-03-14',
		received: '24 kg',
		amount: '',
		usable: '100',
		bestBefore: '',
		note: ''
	};
	it('is read in grams; what nobody said stays unsaid', () => {
		expect(lotForm.validate(LOT).value).toMatchObject({ received: 24000, amount: null, bestBefore: null });
	});
	it.each([{ received: '0' }, { usable: '0' }, { ingredientId: 'flour' }, { bestBefore: 'soon' }])(
		'with %j is refused',
		(more) => {
			expect(problems(lotForm as never, { ...LOT, ...more })).toHaveLength(1);
		}
	);
	it('is counted with one lot at least, nothing left too', () => {
		const lot = { lotId: ID, expected: 120.5, counted: '0', reason: 'spilt' };
		expect(countForm.validate({ counts: [lot] }).value?.counts[0]?.counted).toBe(0);
		expect(countForm.validate({ counts: [] }).error?.message).toContain('count at least one lot');
	});
});

describe('a local profile', () => {
	const FORM = {
		...profileDraft(ID, 0, null),
		name: 'Home kitchens',
		foods: 'bread\n\n  tortillas \nbread',
		channels: 'market',
		yearlyLimit: '25000'
	};
	it('has each food and way to sell once, and the questions that were answered', () => {
		const [first] = CHECKLIST;
		const answers = { ...FORM.answers, ...(first ? { [first.key]: 'yes' } : {}) };
		const profile = profileOf(profileForm.validate({ ...FORM, answers }).value as ProfileForm);
		expect(profile.foods).toEqual(['bread', 'tortillas']);
		expect(profile.yearlyLimit).toBe('25000');
		expect(Object.values(profile.answers)).toEqual(['yes']);
	});
	it('goes back into the form as it was', () => {
		const profile = profileOf(profileForm.validate(FORM).value as ProfileForm);
		expect(profileDraft(ID, 1, profile)).toMatchObject({ foods: 'bread\ntortillas', yearlyLimit: '25000' });
	});
	it.each([
		['name', { name: '' }],
		['sentenceLeast', { sentenceLeast: '3' }],
		['yearlyLimit', { yearlyLimit: 'a lot' }]
	])('says what is wrong at %s', (path, more) => {
		expect(problems(profileForm as never, { ...FORM, ...more })?.map(([at]) => at)).toEqual([path]);
	});
});
