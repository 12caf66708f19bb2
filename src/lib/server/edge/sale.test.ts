import { eachEntry } from './each-entry.ts';
import { describe, expect, it } from 'vitest';
import { ledgerQuery, payForm, returnForm, saleEntryForm, MOST_ENTRIES, saleForm, voidForm } from './sale.ts';

const ID = '01J0000000000000000000ABCD';
const SALE = {
	kind: 'sale',
	lines: [{ id: ID, batchId: ID, packs: '2', price: '6,50' }],
	soldOn: '2026-03-14',
	channel: ' market ',
	paidBy: 'cash',
	customer: '',
	reason: ''
};
const problems = (schema: typeof saleForm, form: unknown) =>
	schema
		.validate(form, { abortEarly: false })
		.error?.details.map((each) => [each.path.join('.'), each.message]);

describe('a sale form', () => {
	it('is read exactly', () => {
		expect(saleForm.validate(SALE).value).toEqual({
			...SALE,
			channel: 'market',
			lines: [{ id: ID, batchId: ID, packs: 2, price: '6.50' }]
		});
	});

	it.each([
		['lines.0.packs', { lines: [{ ...SALE.lines[0], packs: '0' }] }, 'from 1 to 10000'],
		['lines.0.packs', { lines: [{ ...SALE.lines[0], packs: '10001' }] }, 'from 1 to 10000'],
		['lines.0.price', { lines: [{ ...SALE.lines[0], price: 'six' }] }, 'not an amount of money'],
		['lines.0.batchId', { lines: [{ ...SALE.lines[0], batchId: '' }] }, 'choose the batch'],
		['channel', { channel: ' ' }, 'say where they went'],
		['soldOn', { soldOn: '2026-02-30' }, 'choose a day'],
		['customer', { paidBy: 'owed' }, 'say who owes it'],
		['reason', { kind: 'written off' }, 'say why they are written off']
	])('says what is wrong at %s', (path, more, says) => {
		const found = problems(saleForm, { ...SALE, ...more });
		expect(found?.map(([at]) => at)).toEqual([path]);
		expect(found?.[0]?.[1]).toContain(says);
	});

	it('says all that is wrong at once', () => {
		expect(problems(saleForm, { ...SALE, channel: '', soldOn: '' })).toHaveLength(2);
	});

	it('of a gift has no price, whatever is typed', () => {
		const gift = saleForm.validate({ ...SALE, kind: 'gift', lines: [{ ...SALE.lines[0], price: 'x' }] });
		expect(gift.error).toBeUndefined();
		expect(gift.value?.lines[0]?.price).toBe('0');
	});

	it('of a gift on credit asks nobody’s name', () => {
		expect(problems(saleForm, { ...SALE, kind: 'gift', paidBy: 'owed' })).toBeUndefined();
	});

	it('has a line at least, and no more than a person types', () => {
		expect(problems(saleForm, { ...SALE, lines: [] })).toHaveLength(1);
		expect(problems(saleForm, { ...SALE, lines: Array(30).fill(SALE.lines[0]) })).toBeUndefined();
		expect(problems(saleForm, { ...SALE, lines: Array(31).fill(SALE.lines[0]) })).toHaveLength(1);
	});
});

describe('what takes an entry back', () => {
	it('says why', () => {
		expect(voidForm.validate({ saleId: ID, reason: ' ' }).error?.message).toContain('say why');
		expect(
			returnForm.validate({
				id: ID,
				saleId: ID,
				packs: '1',
				soldOn: '2026-03-14',
				reason: '',
				thrownAway: true
			}).error?.message
		).toContain('say why they came back');
	});
});

it('what is owed is paid in cash or by card', () => {
	const payment = { checkoutId: ID, paidBy: 'card', paidOn: '2026-03-14' };
	expect(payForm.validate(payment).error).toBeUndefined();
	expect(payForm.validate({ ...payment, paidBy: 'owed' }).error).toBeDefined();
});

describe('entries of a till', () => {
	/** What a program sends is taken as it is or not at all. */
	const AS_SENT = { convert: false };
	const entry = {
		id: ID,
		kind: 'sale',
		checkoutId: ID,
		batchId: ID,
		soldOn: '2026-03-14',
		channel: 'market',
		packs: 1,
		price: '6.50',
		paidBy: 'cash',
		customer: '',
		reason: '',
		ofId: null,
		thrownAway: false
	};
	const sent = (more: object) => saleEntryForm.validate({ ...entry, ...more }, AS_SENT).error?.message;

	it('are taken as they were kept', () => {
		expect(sent({})).toBeUndefined();
	});
	it.each([
		[{ packs: 0 }],
		[{ packs: 1.5 }],
		[{ price: '-1' }],
		[{ price: '1e3' }],
		[{ price: '1.23456' }],
		[{ kind: 'loan' }],
		[{ soldOn: '14.03.2026' }],
		[{ batchId: '' }],
		[{ more: 'than asked' }]
	])('are refused with %j', (more) => {
		expect(sent(more)).toBeDefined();
	});
	it('come in parts of five hundred', async () => {
		const many = (count: number) =>
			eachEntry({ entries: Array(count).fill(entry) }, MOST_ENTRIES, () => saleEntryForm);
		expect(await many(500)).toMatchObject({ answers: [] });
		expect(await many(501)).toBe('more than 500 entries at once: send them in parts');
	});
});

describe('the ledger’s address', () => {
	const asked = (query: string) => ledgerQuery(new URLSearchParams(query), '2025-04-01');

	it('opens with the months given, the newest first', () => {
		expect(asked('')).toMatchObject({ filter: { from: '2025-04-01', to: null }, sort: 'newest', shown: 60 });
	});
	it('is of all time where it says so', () => {
		expect(asked('from=').filter.from).toBeNull();
	});
	it('says what is asked', () => {
		expect(
			asked(
				`from=2026-01-01&to=2026-01-31&channel=market&kind=gift&paid=card&product=${ID}&sort=largest&shown=200`
			)
		).toEqual({
			filter: {
				from: '2026-01-01',
				to: '2026-01-31',
				channel: 'market',
				kind: 'gift',
				paidBy: 'card',
				productId: ID
			},
			sort: 'largest',
			shown: 200
		});
	});
	it('leaves out what cannot be read', () => {
		expect(
			asked('from=yesterday&to=2026-02-30&kind=loan&paid=gold&product=1&sort=best&shown=-3')
		).toMatchObject({
			filter: { from: null, to: null, kind: null, paidBy: null, productId: null },
			sort: 'newest',
			shown: 60
		});
		expect(asked('shown=100000').shown).toBe(2000);
	});
});
