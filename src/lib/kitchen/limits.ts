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

/** Of what a kitchen keeps: what is near its limit or beyond, worst first. */
export function nearLimits(
	limits: Pick<Limits, 'rows' | 'bytes'>
): { name: 'rows' | 'bytes'; share: number }[] {
	return (['rows', 'bytes'] as const)
		.map((name) => ({ name, share: limits[name].has / limits[name].most }))
		.filter(({ share }) => share >= NEAR)
		.sort((a, b) => b.share - a.share);
}
