import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import type { JobOutcome, PrintedJob, PrinterState, Roll } from '../src/lib/label/printer.ts';
import { listen, type StandIn } from './listen.ts';

const FIRST_ROLL: Roll = { width_mm: 127, height_mm: 190.5, labels: 40 };
const MOST_BYTES = 4 * 1024 * 1024;

/**
 * Stands in for a label printer on 127.0.0.1: it keeps every job as a PDF in `folder`, uses up its roll,
 * and is out of paper when that is empty. A job sent again prints only what of it is missing.
 *
 * `GET /state`, `PUT /roll` with a roll, `POST /jobs/ID?name=…&copies=…&width_mm=…&height_mm=…` with one
 * label as PDF, `GET /jobs/ID` for what it printed.
 */
export async function startLabelPrinter(folder: string, port = 0): Promise<StandIn> {
	mkdirSync(folder, { recursive: true });
	const file = join(folder, 'state.json');
	let state = existsSync(file)
		? (JSON.parse(readFileSync(file, 'utf8')) as PrinterState)
		: { roll: FIRST_ROLL, jobs: [] };
	const keep = (next: PrinterState) => {
		// Written beside and renamed, so that a power cut leaves the older or the newer state whole.
		writeFileSync(`${file}.new`, JSON.stringify(next));
		renameSync(`${file}.new`, file);
		state = next;
	};
	const pdfOf = (id: string) => join(folder, `${id}.pdf`);

	function print(id: string, query: URLSearchParams, pdf: Buffer): JobOutcome {
		const before = state.jobs.find((job) => job.id === id);
		const job: PrintedJob = before ?? {
			id,
			name: query.get('name') ?? '',
			copies: Number(query.get('copies')),
			printed: 0
		};
		const { roll } = state;
		const missing = job.copies - job.printed;
		if (missing === 0) return { ...job, state: 'done', roll };
		if (roll.width_mm !== Number(query.get('width_mm')) || roll.height_mm !== Number(query.get('height_mm')))
			return { ...job, state: 'another roll', roll };
		const now = Math.min(missing, roll.labels);
		const after = { ...job, printed: job.printed + now };
		const left = { ...roll, labels: roll.labels - now };
		if (now > 0) writeFileSync(pdfOf(id), pdf);
		keep({ roll: left, jobs: [after, ...state.jobs.filter((each) => each.id !== id)] });
		return { ...after, state: after.printed === after.copies ? 'done' : 'out of paper', roll: left };
	}

	const app = new Hono();
	app.use(bodyLimit({ maxSize: MOST_BYTES }));
	app.get('/state', (c) => c.json(state));
	app.put('/roll', async (c) => {
		const roll = readRoll(await c.req.text());
		if (!roll) return c.json({ message: 'not a roll' }, 400);
		keep({ ...state, roll });
		return c.json(state);
	});
	app.get('/jobs/:id{[0-9A-Z]{26}}', (c) => {
		const pdf = pdfOf(c.req.param('id'));
		if (!existsSync(pdf)) return c.notFound();
		return c.body(readFileSync(pdf), 200, { 'content-type': 'application/pdf' });
	});
	app.post('/jobs/:id{[0-9A-Z]{26}}', async (c) => {
		const copies = Number(c.req.query('copies'));
		const pdf = Buffer.from(await c.req.arrayBuffer());
		if (pdf.subarray(0, 5).toString() !== '%PDF-' || !Number.isInteger(copies) || copies <= 0)
			return c.notFound();
		return c.json(print(c.req.param('id'), new URL(c.req.url).searchParams, pdf));
	});
	app.notFound((c) => c.json({ message: 'the printer does not know this' }, 404));
	return listen(app, port);
}

function readRoll(text: string): Roll | null {
	try {
		const { width_mm, height_mm, labels } = JSON.parse(text) as Roll;
		const sound = [width_mm, height_mm, labels].every((value) => Number.isFinite(value) && value >= 0);
		return sound ? { width_mm, height_mm, labels: Math.floor(labels) } : null;
	} catch {
		return null;
	}
}
