import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import type { JobOutcome, PrintedJob, PrinterState, Roll } from '../src/lib/label/printer.ts';

const FIRST_ROLL: Roll = { width_mm: 127, height_mm: 190.5, labels: 40 };
const MOST_BYTES = 4 * 1024 * 1024;

/** A simulated label printer, listening. */
export interface LabelPrinterStandIn {
	address: string;
	stop(): Promise<void>;
}

/**
 * Stands in for a label printer on 127.0.0.1: it keeps every job as a PDF in `folder`, uses up its roll,
 * and is out of paper when that is empty. A job sent again prints only what of it is missing.
 *
 * `GET /state`, `PUT /roll` with a roll, `POST /jobs/ID?name=…&copies=…&width_mm=…&height_mm=…` with one
 * label as PDF, `GET /jobs/ID` for what it printed.
 */
export async function startLabelPrinter(folder: string, port = 0): Promise<LabelPrinterStandIn> {
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

	async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
		const url = new URL(request.url ?? '/', 'http://printer');
		const [, what, id = ''] = url.pathname.split('/');
		const json = (status: number, body: unknown) =>
			response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
		if (request.method === 'GET' && what === 'state') return void json(200, state);
		if (request.method === 'PUT' && what === 'roll') {
			const roll = readRoll((await bodyOf(request)).toString());
			if (!roll) return void json(400, { message: 'not a roll' });
			keep({ ...state, roll });
			return void json(200, state);
		}
		if (what === 'jobs' && /^[0-9A-Z]{26}$/.test(id)) {
			if (request.method === 'GET' && existsSync(pdfOf(id)))
				return void response
					.writeHead(200, { 'content-type': 'application/pdf' })
					.end(readFileSync(pdfOf(id)));
			const copies = Number(url.searchParams.get('copies'));
			const pdf = request.method === 'POST' ? await bodyOf(request) : Buffer.alloc(0);
			if (pdf.subarray(0, 5).toString() === '%PDF-' && Number.isInteger(copies) && copies > 0)
				return void json(200, print(id, url.searchParams, pdf));
		}
		json(404, { message: 'the printer does not know this' });
	}

	const server = createServer((request, response) => {
		answer(request, response).catch(() => response.writeHead(500).end());
	});
	await new Promise<void>((resolve, reject) => {
		server.once('error', reject);
		server.listen({ port, host: '127.0.0.1' }, resolve);
	});
	return {
		address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
		stop: () =>
			new Promise((resolve) => {
				server.close(() => resolve());
				server.closeAllConnections();
			})
	};
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

async function bodyOf(request: IncomingMessage): Promise<Buffer> {
	const chunks: Buffer[] = [];
	let bytes = 0;
	for await (const chunk of request as AsyncIterable<Buffer>) {
		bytes += chunk.length;
		if (bytes > MOST_BYTES) throw new Error('too large');
		chunks.push(chunk);
	}
	return Buffer.concat(chunks);
}
