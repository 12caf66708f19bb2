import { describe, expect, it } from 'vitest';
import { unprintable } from '../drawing/text.ts';
import { CHECKLIST } from './checklist.ts';
import { EXAMPLE_PROFILES } from './examples.ts';
import { allowsChannel, BLANK_PROFILE, profileSentence } from './profile.ts';

describe('what a profile puts on a label', () => {
	it('is its sentence, and the number where one is asked for and known', () => {
		expect(profileSentence(BLANK_PROFILE)).toBe('');
		const asked = { ...BLANK_PROFILE, sentence: ' Made at home. ', permitAsked: true };
		expect(profileSentence(asked)).toBe('Made at home.');
		expect(profileSentence({ ...asked, permit: '77-1' })).toBe('Made at home. Permit 77-1.');
		expect(profileSentence({ ...asked, permitAsked: false, permit: '77-1' })).toBe('Made at home.');
	});
	it('can be printed in the shipped typeface', () => {
		for (const { profile } of EXAMPLE_PROFILES) expect(unprintable(profileSentence(profile))).toEqual([]);
	});
});

describe('where it may be sold', () => {
	it('is not known without a list', () => expect(allowsChannel(BLANK_PROFILE, 'door')).toBeNull());
	it('is what is on the list, whatever its letters', () => {
		const listed = { channels: ['From the door'] };
		expect(allowsChannel(listed, ' from the Door ')).toBe(true);
		expect(allowsChannel(listed, 'By post')).toBe(false);
	});
});

describe('what ships', () => {
	it('says of every example that it is made up', () => {
		for (const { text, profile } of EXAMPLE_PROFILES) {
			expect(text).toMatch(/^made-up example/);
			expect(profile.name).toContain('made up');
		}
	});
	it('asks each question once', () => {
		expect(new Set(CHECKLIST.map(({ key }) => key)).size).toBe(CHECKLIST.length);
	});
});
