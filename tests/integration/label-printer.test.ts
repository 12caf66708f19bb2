import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { listPrintJobs, printOnRoll } from '$lib/server/labels/print-jobs.ts';
import { printerAt, type LabelPrinter } from '$lib/server/print/printer.ts';
import { newId } from '$lib/server/rows.ts';
import type { StandIn } from '../../stand-ins/listen.ts';
import { startLabelPrinter } from '../../stand-ins/label-printer.ts';
import { approvedRoti, useBench } from './kitchen.ts';

const bench = useBench();
const folder = mkdtempSync(join(tmpdir(), 'square-batch-printer-'));
let standIn: StandIn;
let printer: LabelPrinter;

beforeAll(async () => {
	standIn = await startLabelPrinter(folder);
	printer = printerAt(standIn.address);
});
afterAll(async () => {
	await standIn.stop();
	rmSync(folder, { recursive: true, force: true });
});

const SIZE = { width_mm: 127, height_mm: 190.5 };

/** A roti with an approved label and a batch, ready to be labelled. */
async function approved(name: string) {
	const { db, kitchen } = bench;
	const { productId, batch } = await approvedRoti(bench, name);
	const print = (copies: number, id = newId()) =>
		printOnRoll(db, kitchen, printer, productId, { id, revision: 1, batch, copies });
	return { productId, print };
}

describe('the label printer', () => {
	it('prints a label for a batch and keeps what it printed', async () => {
		const { print, productId } = await approved('Printed roti');
		await printer.load({ ...SIZE, labels: 10 });
		const id = newId();
		expect(await print(4, id)).toMatchObject({ state: 'done', printed: 4, roll: { labels: 6 } });
		const pdf = await getDocument({ data: await printer.kept(id) }).promise;
		const page = await pdf.getPage(1);
		const [, , width, height] = page.view;
		expect(width).toBeCloseTo((127 * 72) / 25.4, 2);
		expect(height).toBeCloseTo((190.5 * 72) / 25.4, 2);
		const text = (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ');
		expect(text).toContain('260101-1');
		expect(await listPrintJobs(bench.db, bench.kitchen, productId)).toMatchObject([
			{ id, revision: 1, batchCode: '260101-1', copies: 4, printed: 4 }
		]);
	});

	it('is out of paper, and sent again prints only what is missing', async () => {
		const { print, productId } = await approved('Short roll roti');
		await printer.load({ ...SIZE, labels: 5 });
		const id = newId();
		expect(await print(8, id)).toMatchObject({ state: 'out of paper', printed: 5, roll: { labels: 0 } });
		expect(await print(8, id)).toMatchObject({ state: 'out of paper', printed: 5 });
		const jobs = () => listPrintJobs(bench.db, bench.kitchen, productId);
		expect(await jobs()).toMatchObject([{ copies: 8, printed: 5 }]);
		await printer.load({ ...SIZE, labels: 100 });
		expect(await print(8, id)).toMatchObject({ state: 'done', printed: 8, roll: { labels: 97 } });
		// The answer was lost and the page sends it once more: nothing comes out twice.
		expect(await print(8, id)).toMatchObject({ state: 'done', printed: 8, roll: { labels: 97 } });
		expect(await jobs()).toMatchObject([{ copies: 8, printed: 8 }]);
	});

	it('prints nothing on a roll of another size', async () => {
		const { print } = await approved('Wrong roll roti');
		await printer.load({ width_mm: 100, height_mm: 150, labels: 50 });
		expect(await print(2)).toMatchObject({ state: 'another roll', printed: 0, roll: { labels: 50 } });
	});

	it('knows after a restart what it printed and what is left', async () => {
		await printer.load({ ...SIZE, labels: 3 });
		await standIn.stop();
		await expect(printer.state()).rejects.toThrow('does not answer');
		standIn = await startLabelPrinter(folder);
		printer = printerAt(standIn.address);
		const { roll, jobs } = await printer.state();
		expect(roll).toEqual({ ...SIZE, labels: 3 });
		expect(jobs.length).toBeGreaterThan(1);
	});

	it('refuses what is no job and no roll', async () => {
		const status = async (path: string, init: RequestInit) =>
			(await fetch(`${standIn.address}${path}`, init)).status;
		expect(await status(`/jobs/${newId()}?copies=2`, { method: 'POST', body: 'text' })).toBe(404);
		expect(await status(`/jobs/../state`, { method: 'POST', body: '%PDF-' })).toBe(404);
		expect(await status('/roll', { method: 'PUT', body: '{"labels":-1}' })).toBe(400);
	});
});
