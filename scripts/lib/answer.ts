import { readFileSync } from 'node:fs';
import type { Outcome, Problem } from '../../core/problem.ts';

/**
 * A command that reads one file, or standard input as `-`: what it answers goes to standard output as JSON; problems
 * go to standard error, with exit 2.
 */
export function answer(args: string[], of: (text: string) => Outcome<unknown>): void {
	const [file] = args;
	if (!file || args.length > 1)
		return refuse([{ path: '', message: 'name one file, or - for standard input' }]);
	let text: string;
	try {
		text = readFileSync(file === '-' ? 0 : file, 'utf8');
	} catch (error) {
		const reason = error instanceof Error ? error.message : String(error);
		return refuse([{ path: '', message: `the file cannot be read: ${reason}` }]);
	}
	const outcome = of(text);
	if (!outcome.ok) return refuse(outcome.problems);
	process.stdout.write(`${JSON.stringify(outcome.value, null, 2)}\n`);
}

function refuse(errors: Problem[]): void {
	process.stderr.write(`${JSON.stringify({ errors })}\n`);
	process.exitCode = 2;
}
