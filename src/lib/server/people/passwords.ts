import { dictionary } from '@zxcvbn-ts/language-common';

/** At least so long (NIST SP 800-63B: length, and no rule of kinds of letters), and what no argon2 is asked to chew. */
export const LEAST_PASSWORD = 12;
export const MOST_PASSWORD = 128;

/** Of this application: no list of others has them. */
const OURS = ['squarebatch', 'square batch', 'flatbread', 'tortilla', 'chapati'];
/** Some fifty thousand that were found in use, by who gathered what leaked elsewhere. */
const KNOWN: ReadonlySet<string> = new Set([...dictionary['passwords-common'], ...OURS]);

/** A word without the digits and signs that are put before or behind one to make it long enough. */
const withoutTrimmings = (plain: string): string => plain.replaceAll(/^[^\p{L}]+|[^\p{L}]+$/gu, '');

/** The word that something repeats from its beginning to its end; itself, where it repeats none. */
const repeated = (plain: string): string => /^(.+?)\1+$/u.exec(plain)?.[1] ?? plain;

/** Whether a list of known passwords has it, as it is, doubled, or with something before or behind it. */
function isKnown(plain: string): boolean {
	const word = withoutTrimmings(plain);
	return [plain, repeated(plain), word, repeated(word)].some((each) => KNOWN.has(each));
}

/** Why a password will not do; null where it will. `login` and `name` are known to who guesses. */
export function passwordProblem(
	password: string,
	{ login, name }: { login: string; name: string }
): string | null {
	const length = Array.from(password).length;
	if (length < LEAST_PASSWORD)
		return `at least ${LEAST_PASSWORD} characters: three or four words are easier than signs`;
	if (length > MOST_PASSWORD) return `at most ${MOST_PASSWORD} characters`;
	const plain = password.normalize('NFKC').toLowerCase();
	if (new Set(plain).size < 4 || isKnown(plain)) return 'this is guessed first: choose another';
	const own = [login, name].map((each) => each.normalize('NFKC').toLowerCase()).filter((each) => each !== '');
	const isOwn = own.some(
		(each) =>
			repeated(withoutTrimmings(plain)) === each ||
			(each.length > 3 && plain.replaceAll(each, '').length < LEAST_PASSWORD / 2)
	);
	return isOwn ? 'this is mostly your own name: choose another' : null;
}

export const LEAST_CODE = 4;
export const MOST_CODE = 8;

/** Why a short code will not do; null where it will. */
export function shortCodeProblem(code: string): string | null {
	if (!/^\d+$/.test(code) || code.length < LEAST_CODE || code.length > MOST_CODE)
		return `${LEAST_CODE} to ${MOST_CODE} digits`;
	return isGuessedFirst(code) ? 'this is guessed first: choose another' : null;
}

/** Straight lines and corners of a keypad, from either end. */
const ON_A_KEYPAD = ['1470', '2580', '3690', '1590', '3570', '1379', '7913', '159753', '147258', '14789632'];

/** A code that is repeated, counts up or down, doubles its digits, is a year or a line on the keypad. */
function isGuessedFirst(code: string): boolean {
	const digits = Array.from(code, Number);
	if (new Set(digits).size < 3 || repeated(code) !== code) return true;
	const isEven = (of: readonly number[]) =>
		new Set(of.slice(1).map((digit, at) => (digit - (of[at] ?? 0) + 10) % 10)).size === 1;
	if (isEven(digits)) return true;
	const halves = digits.filter((_, at) => at % 2 === 0);
	const isDoubled = code.length % 2 === 0 && halves.every((digit, at) => digits[2 * at + 1] === digit);
	if (isDoubled && isEven(halves)) return true;
	if (/^(19|20)\d\d$/.test(code)) return true;
	const back = digits.toReversed().join('');
	return back === code || ON_A_KEYPAD.some((line) => line === code || line === back);
}
