/** Work that takes long, done by whichever process has time: it goes on where a page is closed or a process is gone. */
export const JOB_KINDS = ['archive', 'restore', 'labels', 'sales import', 'remove'] as const;
export type JobKind = (typeof JOB_KINDS)[number];

/** `coming`: what it is given is still being sent. */
export const JOB_STATES = ['coming', 'waiting', 'running', 'done', 'failed', 'stopped'] as const;
export type JobState = (typeof JOB_STATES)[number];

/** What came of a job: a file to take, a kitchen to open, what is said of it, or why nothing did. */
export interface JobOutcome {
	said?: string;
	file?: { name: string; type: string; bytes: number };
	kitchenId?: string;
	problem?: string;
}

/** A job as whoever asked for it sees it. */
export interface Job {
	id: string;
	kitchenId: string;
	kind: JobKind;
	/** What it is of, by the name people know. */
	name: string;
	state: JobState;
	/** How much is done, in the unit of its kind; null where nobody can say of how much. */
	done: number;
	of: number | null;
	outcome: JobOutcome | null;
	/** UTC, as the database keeps times. */
	askedAt: string;
	/** Where it was asked for. */
	from: string;
}

/** Whether nothing more becomes of it. */
export const isOver = ({ state }: Pick<Job, 'state'>): boolean =>
	state === 'done' || state === 'failed' || state === 'stopped';
