import { readFileSync } from 'node:fs';
import { deriveText } from '../core/file/derive-text.ts';
import type { Problem } from '../core/problem.ts';

/** `npm run --silent derive -- FILE`: facts to standard output, or problems to standard error and exit 2. */
export function main(args: string[]): void {
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
	const outcome = deriveText(text);
	if (!outcome.ok) return refuse(outcome.problems);
	process.stdout.write(`${JSON.stringify(outcome.value, null, 2)}\n`);
}

function refuse(errors: Problem[]): void {
	process.stderr.write(`${JSON.stringify({ errors })}\n`);
	process.exitCode = 2;
}
