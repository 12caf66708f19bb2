import { readSureRequest } from '../core/file/sure-request.ts';
import { sure } from '../core/sure/sure.ts';
import { answer } from './lib/answer.ts';

/** `npm run --silent sure -- FILE`: how sure each declared figure is, or problems to standard error and exit 2. */
export function main(args: string[]): void {
	answer(args, (text) => {
		const request = readSureRequest(text);
		if (!request.ok) return request;
		const { recipe, given, draws, seed } = request.value;
		const outcome = sure(recipe, given, draws, seed);
		if (outcome.ok) return outcome;
		return {
			ok: false,
			problems: outcome.problems.map((each) => ({ ...each, path: `file.${each.path}` }))
		};
	});
}
