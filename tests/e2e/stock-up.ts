import { expect, request } from '@playwright/test';
import { ulid } from 'ulid';
import { dayIn } from '../../src/lib/day.ts';
import { act, FLOUR, shelfIds } from './making.ts';
import { cookiesAt } from '../../scripts/lib/come-in.ts';

/** Where the demo kitchen is: what is received on another day than its own is not there yet. */
const TIME_ZONE = 'America/Chicago';

/** Lots so large that no test bakes them up: the tests share one kitchen, and would find it short of flour. */
export default async function stockUp(): Promise<void> {
	const context = await request.newContext({
		baseURL: process.env.BASE_URL ?? '',
		extraHTTPHeaders: { cookie: await cookiesAt(process.env.BASE_URL ?? '') }
	});
	const idOf = await shelfIds(context);
	const common = {
		supplier: 'test store',
		supplierCode: '',
		amount: '',
		usable: '100',
		bestBefore: '',
		note: ''
	};
	const lots = [
		...[FLOUR, 'Salt'].map((name) => ({ ingredientId: idOf(name), material: '', received: '900 kg' })),
		...['bag', 'label'].map((material) => ({ ingredientId: '', material, received: '90000' }))
	];
	for (const lot of lots) {
		const draft = { ...common, ...lot, id: ulid(), receivedOn: dayIn(TIME_ZONE, new Date()) };
		const answer = await act(context, '/shelf/lots?/receive', draft);
		expect(answer.type, JSON.stringify(answer)).toBe('success');
	}
	await context.dispose();
}
