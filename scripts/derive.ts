import { deriveText } from '../core/file/derive-text.ts';
import { answer } from './lib/answer.ts';

/** `npm run --silent derive -- FILE`: facts to standard output, or problems to standard error and exit 2. */
export function main(args: string[]): void {
	answer(args, deriveText);
}
