/** A sum of columns times a factor each, between two bounds; an infinite one is none. */
export interface Row {
	terms: readonly (readonly [column: number, factor: number])[];
	low: number;
	high: number;
}

/** A figure to be found, between two bounds. */
export interface Column {
	low: number;
	high: number;
	/** What one of it costs; the costs together are to be least. */
	cost: number;
	isWhole?: boolean;
}

/** A linear program; with whole columns, a mixed-integer one. */
export interface Program {
	columns: readonly Column[];
	rows: readonly Row[];
}

/** What a solver found; null where nothing satisfies all rows. */
export type Solution = { objective: number; values: number[] } | null;

/** Solves a program, or throws `GaveUp` where it cannot tell. A kept solver does it: it is none of the core's. */
export type Solver = (program: Program) => Solution;

/** Below this share of a row's largest factor a factor is noise: solvers drop it, so it is dropped knowingly. */
const NOISE = 1e-13;

/** A program in the text that solvers read. Rows are brought to a largest factor of one. */
export function programText({ columns, rows }: Program): string {
	const lines = rows.flatMap((row, nth) => rowText(row, `r${nth}`));
	const whole = columns.flatMap(({ isWhole }, at) => (isWhole ? [`x${at}`] : []));
	const cost = sumText(columns.map(({ cost: of }, at) => [at, of] as const)) || '0 x0';
	return [
		'Minimize',
		` obj: ${cost}`,
		'Subject To',
		...lines,
		'Bounds',
		...columns.map(({ low, high }, at) => ` ${boundText(low)} <= x${at} <= ${boundText(high)}`),
		...(whole.length > 0 ? ['General', ` ${whole.join(' ')}`] : []),
		'End'
	].join('\n');
}

function rowText({ terms, low, high }: Row, name: string): string[] {
	const largest = Math.max(...terms.map(([, factor]) => Math.abs(factor)), 0);
	if (largest === 0) {
		if (low <= 0 && high >= 0) return [];
		// Nothing that can be changed makes it so.
		return [` ${name}: 0 x0 >= 1`];
	}
	const scaled = terms.map(([column, factor]) => [column, factor / largest] as const);
	const sum = sumText(scaled.filter(([, factor]) => Math.abs(factor) > NOISE));
	if (low === high) return [` ${name}: ${sum} = ${low / largest}`];
	return [
		...(Number.isFinite(low) ? [` ${name}l: ${sum} >= ${low / largest}`] : []),
		...(Number.isFinite(high) ? [` ${name}h: ${sum} <= ${high / largest}`] : [])
	];
}

const sumText = (terms: readonly (readonly [column: number, factor: number])[]): string =>
	terms
		.filter(([, factor]) => factor !== 0)
		.map(([column, factor]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} x${column}`)
		.join(' ');

const boundText = (bound: number): string =>
	bound === Infinity ? '+inf' : bound === -Infinity ? '-inf' : String(bound);

/** What a solver that reads text answers. */
export interface TextAnswer {
	Status: string;
	ObjectiveValue: number;
	Columns: Record<string, object>;
}

const NOTHING = new Set(['Infeasible', 'Primal infeasible or unbounded']);

/** What is asked of such a solver beside the program: small programs are solved soonest by one thread. */
export interface TextOptions {
	mip_rel_gap: number;
	time_limit: number;
	parallel: 'off';
	threads: number;
	presolve: 'on' | 'off';
}

/** No solver is given longer for whole steps of the scale: what takes it so long is answered in another way. */
const WHOLE_LIMIT_S = 2;
/** What is not whole is solved in a moment; on a machine that is busy with other things a moment takes longer. */
const LIMIT_S = 20;
/** Whole steps of the scale where somebody waits for the answer while typing. */
export const LIVE_LIMIT_S = 0.05;

/** A solver that could not tell within its time. */
export class GaveUp extends Error {
	override name = 'GaveUp';
}

/** A solver of programs by one that reads them as text. Throws `GaveUp` where it neither finds the least nor that nothing does. */
export function solverBy(
	solve: (text: string, options: TextOptions) => TextAnswer,
	{ whole_s = WHOLE_LIMIT_S }: { whole_s?: number } = {}
): Solver {
	return (program) => {
		const isWhole = program.columns.some((column) => column.isWhole);
		const text = programText(program);
		const tried = [];
		// Small programs are solved soonest as they stand; one that is not told apart so is looked through first.
		for (const presolve of isWhole ? (['on', 'off'] as const) : (['off', 'on'] as const)) {
			const answer = solve(text, {
				mip_rel_gap: 0,
				time_limit: isWhole ? whole_s : LIMIT_S,
				parallel: 'off',
				threads: 1,
				presolve
			});
			if (NOTHING.has(answer.Status)) return null;
			if (answer.Status === 'Optimal') return solutionOf(program, answer);
			tried.push(answer.Status);
			if (answer.Status === 'Time limit reached') break;
		}
		throw new GaveUp(`the solver ended with “${tried.join('”, then “')}”`);
	};
}

const solutionOf = ({ columns }: Program, { ObjectiveValue, Columns }: TextAnswer): Solution => ({
	objective: ObjectiveValue,
	values: columns.map((_, at) => {
		const column = Columns[`x${at}`] as { Primal?: number } | undefined;
		return column?.Primal ?? 0;
	})
});
