import { describe, expect, it } from 'vitest';
import { waitAfter_s } from './limits.ts';
import { passwordProblem, shortCodeProblem } from './passwords.ts';
import { chosenHash, isChosen, newToken, tokenHash } from './secrets.ts';

const WREN = { login: 'wren', name: 'Wren' };

describe('a password', () => {
	it.each([
		['three plain words', null],
		['Ω≈ç√∫˜µ≤≥÷ab', null],
		// 11 characters are too few, 12 are enough.
		['brown flour', /at least 12/],
		['brown flours', null],
		['x'.repeat(128), /guessed/],
		[`${'flour '.repeat(21)}ab`, null],
		[`${'flour '.repeat(21)}abc`, /at most 128/],
		['passwordpassword', /guessed first/],
		['111111111111', /guessed first/],
		['abababababab', /guessed first/],
		['wrenwrenwren', /guessed|own name/],
		// A list of fifty thousand that were found elsewhere: as they are, doubled, with something put behind.
		['qwertyuiop123456', /guessed first/],
		['1q2w3e4r5t6y', /guessed first/],
		['Sunshine2026!!', /guessed first/],
		['tortillatortilla', /guessed first/],
		['Password!!2026', /guessed first/],
		// The name itself with digits behind it, however short it is.
		['Wren20261130!', /guessed|own name/],
		['wren123456789', /guessed|own name/],
		['wren of the wren house', null]
	])('%s', (password, problem) => {
		const said = passwordProblem(password, WREN);
		if (problem === null) expect(said).toBeNull();
		else expect(said).toMatch(problem);
	});
});

it('is not a name of its own with digits behind it, that no list has', () => {
	const of = { login: 'oxlip-t', name: 'Tansy of Oxlip' };
	expect(passwordProblem('oxlip-t20261130', of)).toMatch(/own name/);
	expect(passwordProblem('tansy of oxlip 2026', of)).toMatch(/own name/);
	expect(passwordProblem('tansy rides a grey mule', of)).toBeNull();
});

describe('a short code', () => {
	it.each([
		['4711', null],
		['47110815', null],
		['471', /4 to 8 digits/],
		['471108152', /4 to 8 digits/],
		['47a1', /4 to 8 digits/],
		['1111', /guessed/],
		['1234', /guessed/],
		['9876', /guessed/],
		// Repeated, stepped, doubled, mirrored, a year, a line on the keypad.
		['1212', /guessed/],
		['4747', /guessed/],
		['123123', /guessed/],
		['1357', /guessed/],
		['8901', /guessed/],
		['112233', /guessed/],
		['1221', /guessed/],
		['4774', /guessed/],
		['1999', /guessed/],
		['2031', /guessed/],
		['2580', /guessed/],
		['0852', /guessed/],
		['1477', null],
		['2631', null],
		['830174', null]
	])('%s', (code, problem) => {
		const said = shortCodeProblem(code);
		if (problem === null) expect(said).toBeNull();
		else expect(said).toMatch(problem);
	});
});

describe('what is kept of a secret', () => {
	it('is argon2id, another each time, and never the secret', async () => {
		const [one, other] = [await chosenHash('three plain words'), await chosenHash('three plain words')];
		expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
		expect(one).not.toBe(other);
		expect(await isChosen(one, 'three plain words')).toBe(true);
		expect(await isChosen(one, 'three plain word')).toBe(false);
		// The same letters, however they are put together.
		expect(await isChosen(await chosenHash('caf\u00e9 au lait fort'), 'cafe\u0301 au lait fort')).toBe(true);
		expect(await isChosen(null, 'three plain words')).toBe(false);
		expect(await isChosen('no hash', 'three plain words')).toBe(false);
	});

	it('is a hash of a token nobody can guess', () => {
		const token = newToken();
		expect(token).toMatch(/^[\w-]{43}$/);
		expect(newToken()).not.toBe(token);
		expect(tokenHash(token)).toMatch(/^[0-9a-f]{64}$/);
	});
});

describe('the wait after failures', () => {
	it.each([
		[1, 0],
		[4, 0],
		// 15 s, then twice as long each time, an hour at most.
		[5, 15],
		[6, 30],
		[7, 60],
		[12, 1920],
		[13, 3600],
		[40, 3600]
	])('after %i is %i s', (failures, seconds) => {
		expect(waitAfter_s(failures)).toBe(seconds);
	});
});
