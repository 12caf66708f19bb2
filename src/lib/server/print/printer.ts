import type { JobOutcome, PrinterState, Roll } from '../../label/printer.ts';
import { deviceKey } from '../device-key.ts';
import { refuse } from '../errors.ts';

const LIMIT_MS = 3000;

/** One label to be printed on the roll of a label printer. */
export interface PrintJob {
	/** One sent again prints only what of it is missing. */
	id: string;
	name: string;
	copies: number;
	size: { width_mm: number; height_mm: number };
	pdf: Uint8Array<ArrayBuffer>;
}

/** A label printer. Each call is refused with what to do when it does not answer. */
export interface LabelPrinter {
	state(): Promise<PrinterState>;
	load(roll: Roll): Promise<void>;
	print(job: PrintJob): Promise<JobOutcome>;
	/** What a job printed, as PDF. */
	kept(jobId: string): Promise<Uint8Array<ArrayBuffer>>;
}

/** The kitchen's label printer, or null where there is none. */
export function labelPrinter(): LabelPrinter | null {
	const address = process.env.LABEL_PRINTER_URL;
	return address ? printerAt(address) : null;
}

/** The label printer at an address. */
export function printerAt(address: string): LabelPrinter {
	const ask = async (path: string, init: RequestInit = {}): Promise<Response> => {
		const answer = await fetch(`${address}${path}`, {
			...init,
			headers: {
				...deviceKey(),
				...(typeof init.body === 'string' ? { 'content-type': 'application/json' } : {})
			},
			signal: AbortSignal.timeout(LIMIT_MS)
		}).catch(() => refuse('', 'the label printer does not answer: see that it is on, and try again'));
		if (!answer.ok) refuse('', 'the label printer did not understand this');
		return answer;
	};
	return {
		state: async () => (await ask('/state')).json() as Promise<PrinterState>,
		load: async (roll) => {
			await ask('/roll', { method: 'PUT', body: JSON.stringify(roll) });
		},
		print: async ({ id, name, copies, size, pdf }) => {
			const query = new URLSearchParams({
				name,
				copies: String(copies),
				width_mm: String(size.width_mm),
				height_mm: String(size.height_mm)
			});
			const answer = await ask(`/jobs/${id}?${query.toString()}`, { method: 'POST', body: pdf });
			return answer.json() as Promise<JobOutcome>;
		},
		kept: async (jobId) => new Uint8Array(await (await ask(`/jobs/${jobId}`)).arrayBuffer())
	};
}
