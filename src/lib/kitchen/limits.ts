import { plain } from '../format.ts';

/** What a kitchen may take of its installation, and how much of it it has taken. */
export interface Limit {
	has: number;
	most: number;
}
export interface Limits {
	/** Rows of all its tables. */
	rows: Limit;
	/** Text, documents and pictures, in bytes. */
	bytes: Limit;
	/** What all its devices asked in the running minute. */
	requests: Limit;
}

/** From here on it is said that a limit is near. */
export const NEAR = 0.8;
/** What is begun goes on beyond a limit, to here: no sale or weighing is refused at the limit itself. */
export const BEYOND = 1.1;

const BYTES_A_MB = 1_000_000;

/** A limit in words: how much there is of how much. */
export function limitWords(name: keyof Limits, { has, most }: Limit): string {
	if (name === 'bytes') return `${plain(has / BYTES_A_MB, 1)} of ${plain(most / BYTES_A_MB)} MB`;
	return `${plain(has)} of ${plain(most)} ${name === 'rows' ? 'rows' : 'asked this minute'}`;
}

/** A limit that is near, and how much of it is taken: above 1 it is passed. */
export interface NearLimit {
	name: keyof Limits;
	share: number;
}

/** Which of some limits are near or passed, worst first. */
export function nearLimits(limits: Partial<Limits>): NearLimit[] {
	return (['rows', 'bytes', 'requests'] as const)
		.flatMap((name) => {
			const limit = limits[name];
			return limit ? [{ name, share: limit.has / limit.most }] : [];
		})
		.filter(({ share }) => share >= NEAR)
		.sort((a, b) => b.share - a.share);
}
