/** The roll in a printer: labels of one size, and how many are left on it. */
export interface Roll {
	width_mm: number;
	height_mm: number;
	labels: number;
}

/** A job as the printer keeps it. */
export interface PrintedJob {
	id: string;
	name: string;
	copies: number;
	printed: number;
}

/** What the printer says of itself. */
export interface PrinterState {
	roll: Roll;
	/** Newest first. */
	jobs: PrintedJob[];
}

/** What came of a job: all of it, what the roll had, or nothing since another size is on the roll. */
export interface JobOutcome extends PrintedJob {
	state: 'done' | 'out of paper' | 'another roll';
	roll: Roll;
}
