import { readDayAhead } from '../core/file/how-many-request.ts';
import { howMany } from '../core/selling/how-many.ts';
import { answer } from './lib/answer.ts';

/** `npm run --silent how-many -- FILE`: how many to make for a selling day, or problems to standard error and exit 2. */
export function main(args: string[]): void {
	answer(args, (text) => {
		const asked = readDayAhead(text);
		return asked.ok ? { ok: true, value: howMany(asked.value) } : asked;
	});
}
