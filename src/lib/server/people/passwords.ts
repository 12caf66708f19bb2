/** At least so long (NIST SP 800-63B: length, and no rule of kinds of letters), and what no argon2 is asked to chew. */
export const LEAST_PASSWORD = 12;
export const MOST_PASSWORD = 128;

/** What is tried first by who guesses, as long as it is. */
const USUAL = [
	'123456789012',
	'password1234',
	'passwordpassword',
	'qwertyuiopas',
	'qwertyuiop123',
	'111111111111',
	'000000000000',
	'squarebatch1',
	'squarebatch123',
	'square batch',
	'letmeinletmein',
	'iloveyou1234',
	'flatbread123',
	'flatbreadflatbread'
];

/** Why a password will not do; null where it will. `login` and `name` are known to who guesses. */
export function passwordProblem(
	password: string,
	{ login, name }: { login: string; name: string }
): string | null {
	const length = Array.from(password).length;
	if (length < LEAST_PASSWORD)
		return `at least ${LEAST_PASSWORD} characters: three or four words are easier than signs`;
	if (length > MOST_PASSWORD) return `at most ${MOST_PASSWORD} characters`;
	const plain = password.toLowerCase();
	if (USUAL.includes(plain) || new Set(plain).size < 4) return 'this is guessed first: choose another';
	const known = [login, name].map((each) => each.toLowerCase()).filter((each) => each.length > 3);
	if (known.some((each) => plain.replaceAll(each, '').length < LEAST_PASSWORD / 2))
		return 'this is mostly your own name: choose another';
	return null;
}

export const LEAST_CODE = 4;
export const MOST_CODE = 8;

/** Why a short code will not do; null where it will. */
export function shortCodeProblem(code: string): string | null {
	if (!/^\d+$/.test(code) || code.length < LEAST_CODE || code.length > MOST_CODE)
		return `${LEAST_CODE} to ${MOST_CODE} digits`;
	const steps = new Set(Array.from(code.slice(1), (digit, at) => Number(digit) - Number(code[at])));
	const [step = 0] = steps;
	return steps.size === 1 && Math.abs(step) <= 1 ? 'this is guessed first: choose another' : null;
}
