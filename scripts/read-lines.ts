import { readFileSync } from 'node:fs';
import { readLine, readLineOf } from '../core/formula/said/read-line.ts';
import { referenceContext } from '../src/lib/server/reference/context.ts';

/** `npm run --silent read-lines`: lines from standard input, one JSON object each, against the reference rows. */
export function main(): void {
	const context = referenceContext();
	const lines = readFileSync(0, 'utf8')
		.replace(/^\uFEFF/, '')
		.split(/\r?\n/);
	for (const line of lines) {
		if (line.trim() === '') continue;
		const read = readLineOf(readLine(line, context));
		process.stdout.write(`${JSON.stringify(read)}\n`);
	}
}
