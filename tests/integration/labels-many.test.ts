import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { beforeAll, describe, expect, it } from 'vitest';
import type { ManyInput } from '$lib/server/edge/label.ts';
import { jobOf, jobsOf } from '$lib/server/jobs/jobs.ts';
import { readParts } from '$lib/server/jobs/parts.ts';
import { runNextJob } from '$lib/server/jobs/run.ts';
import { askForLabels } from '$lib/server/labels/many.ts';
import { listPrintJobs } from '$lib/server/labels/print-jobs.ts';
import { labelToPrint } from '$lib/server/labels/to-print.ts';
import { join } from '$lib/server/people/memberships.ts';
import { makePerson } from '$lib/server/people/persons.ts';
import { writeLabels } from '$lib/server/print/pdf.ts';
import { newId } from '$lib/server/rows.ts';
import { approvedRoti, useBench } from './kitchen.ts';

const bench = useBench();
let personId: string;
let roti: { productId: string; batch: string };
const copies = 250;

beforeAll(async () => {
	personId = await makePerson(bench.db, { name: 'Pim', login: 'pim', password: 'three plain words' });
	await join(bench.db, bench.kitchen.id, { personId, name: 'Pim', role: 'maker', span: null });
	roti = await approvedRoti(bench, 'Many roti');
});

async function ask(more: Partial<ManyInput> = {}, productId = roti.productId): Promise<string> {
	const id = more.id ?? newId();
	const input = { id, revision: 1, batch: roti.batch, copies, on: 'roll', start: 1, ...more };
	await askForLabels(bench.db, bench.kitchen, personId, productId, input);
	return id;
}

async function given(jobId: string): Promise<Uint8Array> {
	const pieces: Uint8Array[] = [];
	for await (const piece of readParts(bench.db, { kitchenId: bench.kitchen.id, jobId, side: 'out' }))
		pieces.push(piece);
	return new Uint8Array(Buffer.concat(pieces));
}

describe('labels by the hundred', () => {
	it('are long work: noted as taken, drawn piece by piece, each a page with the batch’s code', async () => {
		const id = await ask();
		// The form sent twice asks for them once.
		await ask({ id });
		expect(await jobsOf(bench.db, bench.kitchen.id, personId)).toMatchObject([
			{ id, kind: 'labels', name: '250 labels of Many roti', state: 'waiting' }
		]);
		expect(await listPrintJobs(bench.db, bench.kitchen, roti.productId)).toMatchObject([
			{ id, copies, wentTo: 'file', batchCode: '260101-1' }
		]);
		expect(await runNextJob(bench.db)).toBe(true);
		const job = await jobOf(bench.db, personId, id);
		expect(job).toMatchObject({
			state: 'done',
			done: copies,
			of: copies,
			from: expect.stringContaining(roti.productId) as string
		});
		const bytes = await given(id);
		expect(job.outcome?.file).toMatchObject({ type: 'application/pdf', bytes: bytes.length });
		const pdf = await getDocument({ data: bytes }).promise;
		expect(pdf.numPages).toBe(copies);
		const last = await (await pdf.getPage(copies)).getTextContent();
		expect(last.items.map((item) => ('str' in item ? item.str : '')).join(' ')).toContain('260101-1');
	}, 60_000);

	it('are refused as few are, before anything is noted', async () => {
		const other = await approvedRoti(bench, 'Other roti');
		await expect(ask({}, other.productId)).rejects.toThrow('of another product');
		await expect(ask({ on: 'letter-4' })).rejects.toThrow('another size');
		expect(await listPrintJobs(bench.db, bench.kitchen, other.productId)).toEqual([]);
		expect(await runNextJob(bench.db)).toBe(false);
	});

	it('stand on sheets from the place that is free on', async () => {
		// Two to a sheet, the first place of the first used up: 251 places are 126 sheets.
		const id = await ask({ on: 'letter-2', start: 2 });
		expect(await runNextJob(bench.db)).toBe(true);
		expect((await getDocument({ data: await given(id) }).promise).numPages).toBe(126);
	}, 60_000);

	it('come as they are drawn, fifty at a time', async () => {
		const { drawing } = await labelToPrint(bench.db, bench.kitchen, roti.productId, {
			revision: 1,
			batch: ''
		});
		const drawn: number[] = [];
		await writeLabels('roti', drawing, 120, 'roll', (_, count) => void drawn.push(count));
		expect(drawn).toEqual([50, 100, 120]);
	});
});
