import { bold, plain } from './pen.ts';
import type { Run } from './shapes.ts';

/** Text with `**` around what is emphasised, as runs. */
export function emphasisRuns(text: string): Run[] {
	return text
		.split('**')
		.map((part, index) => (index % 2 === 1 ? bold(part) : plain(part)))
		.filter((run) => run.text !== '');
}
