import { describe, expect, it } from 'vitest';
import { cut, wellFormed, wellFormedIn } from './text.ts';

// A flatbread, U+1FAD3, is two units of UTF-16.
const BREAD = '🫓';
const [HALF = ''] = BREAD.split('');
// A cook of three characters joined by U+200D.
const COOK = '🧑‍🍳';

describe('text', () => {
	it('loses halves of characters, and nothing else', () => {
		expect(wellFormed(`a${HALF}`)).toBe('a');
		expect(wellFormed(`${HALF}${BREAD}é`)).toBe(`${BREAD}é`);
	});

	it('is cut between characters: one over, one under, and exactly', () => {
		expect(cut(`roti ${BREAD}`, 7)).toBe(`roti ${BREAD}`);
		expect(cut(`roti ${BREAD}`, 6)).toBe('roti ');
		expect(cut(`roti ${BREAD}${BREAD}`, 7)).toBe(`roti ${BREAD}`);
		// What is seen as one is not cut in its middle.
		expect(COOK).toHaveLength(5);
		expect(cut(`ab${COOK}`, 6)).toBe('ab');
		expect(cut(`ab${COOK}`, 7)).toBe(`ab${COOK}`);
		expect(cut('plain', 3)).toBe('pla');
		expect(cut(HALF, 3)).toBe('');
	});

	it('of a whole document', () => {
		const document = { [`k${HALF}`]: [HALF, { a: `b${HALF}` }], n: 1, none: null, is: true };
		expect(wellFormedIn(document)).toEqual({ k: ['', { a: 'b' }], n: 1, none: null, is: true });
	});
});
