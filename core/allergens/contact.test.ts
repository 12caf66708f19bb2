import { describe, expect, it } from 'vitest';
import { rulesOf } from '../rules/index.ts';
import { mayContainText, saysAllergen } from '../rules/may-contain.ts';
import {
	contactStanding,
	dayProposals,
	sourceKey,
	unconfirmedBefore,
	type ContactDecision,
	type Making,
	type Proposal
} from './contact.ts';

const GROUPS = ['wheat', 'milk', 'sesame', 'treenut'];

function making(id: string, beganAt: string | null, more: Partial<Making> = {}): Making {
	return {
		id,
		code: id,
		name: id,
		beganAt,
		usedUntil: null,
		equipment: ['griddle'],
		allergens: ['wheat'],
		unconfirmed: [],
		...more
	};
}
const seeded = making('seeded', '09:00', {
	usedUntil: '10:00',
	allergens: ['wheat', 'sesame', 'milk', 'rye']
});
const plain = making('plain', '11:00');
const tags = (proposals: Proposal[]) => proposals.map((proposal) => proposal.allergen);

describe('what a batch may have caught from the day’s others', () => {
	it('is what was handled before on the same equipment, its own and what the rules do not name aside', () => {
		const proposals = dayProposals(plain, [seeded, plain], [], GROUPS);
		// wheat is in it already; rye is not named by this rule set
		expect(tags(proposals)).toEqual(['sesame', 'milk']);
		expect(proposals[0]?.source).toEqual({
			kind: 'day',
			batchId: 'plain',
			batchCode: 'plain',
			from: { id: 'seeded', code: 'seeded', name: 'seeded' },
			equipment: ['griddle'],
			orderKnown: true
		});
	});

	it('is nothing from what came after, and nothing without shared equipment', () => {
		expect(dayProposals(seeded, [plain], [], GROUPS)).toEqual([]);
		expect(dayProposals({ ...plain, equipment: ['oven'] }, [seeded], [], GROUPS)).toEqual([]);
		expect(dayProposals(making('early', '08:59'), [seeded], [], GROUPS)).toEqual([]);
	});

	it.each([
		['before the other began', '08:59', ['sesame', 'milk']],
		['just as the other began', '09:00', ['sesame', 'milk']],
		['while the other was made', '09:30', ['sesame', 'milk']],
		['just as the other was done', '10:00', ['sesame', 'milk']],
		['right after', '10:01', []],
		['just as this one began', '11:00', []],
		['after this one began', '11:01', ['sesame', 'milk']]
	])('a clean %s', (_, at, expected) => {
		expect(tags(dayProposals(plain, [seeded], [{ equipment: 'griddle', at }], GROUPS))).toEqual(expected);
	});

	it('no clean counts while nothing tells when the other was done', () => {
		const unknown = { ...seeded, usedUntil: null };
		expect(tags(dayProposals(plain, [unknown], [{ equipment: 'griddle', at: '10:59' }], GROUPS))).toEqual([
			'sesame',
			'milk'
		]);
		const late = { ...seeded, usedUntil: '24:00' };
		expect(tags(dayProposals(plain, [late], [{ equipment: 'griddle', at: '10:59' }], GROUPS))).toEqual([
			'sesame',
			'milk'
		]);
	});

	it('one begun while this one was made may have come to it too, whatever was cleaned', () => {
		const long = { ...plain, beganAt: '08:00', usedUntil: '09:01' };
		const clean = [{ equipment: 'griddle', at: '09:00' }];
		expect(tags(dayProposals(long, [seeded], clean, GROUPS))).toEqual(['sesame', 'milk']);
		expect(dayProposals({ ...long, usedUntil: '09:00' }, [seeded], [], GROUPS)).toEqual([]);
		expect(dayProposals({ ...long, usedUntil: null }, [seeded], [], GROUPS)).toEqual([]);
	});

	it('a clean counts for its own equipment only', () => {
		const both = { equipment: ['griddle', 'bowl'] };
		const proposals = dayProposals(
			{ ...plain, ...both },
			[{ ...seeded, ...both }],
			[{ equipment: 'griddle', at: '10:30' }],
			GROUPS
		);
		expect(tags(proposals)).toEqual(['sesame', 'milk']);
		expect(proposals[0]?.source).toMatchObject({ equipment: ['bowl'] });
	});

	it('a time nobody noted counts as before, whatever was cleaned', () => {
		const cleans = [{ equipment: 'griddle', at: '10:00' }];
		for (const [one, other] of [
			[plain, { ...seeded, beganAt: null }],
			[{ ...plain, beganAt: null }, seeded]
		] as const) {
			const proposals = dayProposals(one, [other], cleans, GROUPS);
			expect(tags(proposals)).toEqual(['sesame', 'milk']);
			expect(proposals[0]?.source).toMatchObject({ orderKnown: false });
		}
	});

	it('begun at the same minute, each may have been before the other', () => {
		const same = { ...seeded, beganAt: '11:00' };
		expect(tags(dayProposals(plain, [same], [], GROUPS))).toEqual(['sesame', 'milk']);
	});

	it('names what was handled before and never confirmed', () => {
		const loose = { ...seeded, unconfirmed: ['Loose seed'] };
		expect(unconfirmedBefore(plain, [loose, { ...loose, id: 'again' }], [])).toEqual(['Loose seed']);
		expect(unconfirmedBefore(plain, [loose], [{ equipment: 'griddle', at: '10:30' }])).toEqual([]);
	});
});

describe('what was decided', () => {
	const [sesame, milk] = dayProposals(plain, [seeded], [], GROUPS) as [Proposal, Proposal];
	const said = (answer: ContactDecision['answer'], proposal: Proposal): ContactDecision => ({
		allergen: proposal.allergen,
		answer,
		source: sourceKey(proposal.source)
	});

	it('nothing decided leaves all open', () => {
		expect(contactStanding([sesame, milk], [])).toEqual({ accepted: [], open: [sesame, milk], declined: [] });
	});

	it('an accepted one is said whatever else proposes it; a declined one only of its source', () => {
		const risk: Proposal = { allergen: 'milk', source: { kind: 'kitchen', risk: 'r', why: 'milk powder' } };
		const decisions = [said('accepted', sesame), said('declined', milk)];
		const again: Proposal = { ...sesame, source: { kind: 'ingredient', ingredient: 'i', name: 'flour' } };
		expect(contactStanding([sesame, again, milk, risk], decisions)).toEqual({
			accepted: ['sesame'],
			open: [risk],
			declined: [milk]
		});
	});

	it('withdrawn, it is open again; accepted anew, it is said again', () => {
		const withdrawn: ContactDecision = { allergen: 'sesame', answer: 'withdrawn', source: '' };
		expect(contactStanding([sesame], [said('accepted', sesame), withdrawn])).toEqual({
			accepted: [],
			open: [sesame],
			declined: []
		});
		expect(
			contactStanding([sesame], [said('accepted', sesame), withdrawn, said('accepted', sesame)]).accepted
		).toEqual(['sesame']);
	});

	it('stays accepted when nothing proposes it any more, until it is withdrawn', () => {
		expect(contactStanding([], [said('accepted', sesame)]).accepted).toEqual(['sesame']);
	});
});

describe('the line on the label', () => {
	it('names what the rules name, by its own name', () => {
		expect(mayContainText(rulesOf('us'), ['sesame', 'treenut:almond', 'rye'])).toBe(
			'May contain: Sesame, Almond.'
		);
		expect(mayContainText(rulesOf('eu'), ['sesame', 'treenut:almond', 'rye'])).toBe(
			'May contain: **sesame**, **almond**, **rye**.'
		);
	});
	it('is none without any', () => {
		expect(mayContainText(rulesOf('us'), [])).toBeNull();
		expect(mayContainText(rulesOf('us'), ['rye'])).toBeNull();
	});
});

describe('whether a label names an allergen', () => {
	const label = {
		declaration: 'Contains: Wheat, Milk.',
		statement: '**Wheat** flour, almond flavour',
		mayContain: 'May contain: Sesame.'
	};
	it.each([
		['milk', true],
		['sesame', true],
		['wheat', true],
		['treenut:almond', false], // in the list, and not as an allergen
		['treenut:sesame seed', false],
		['egg', false]
	])('%s: %s', (tag, says) => expect(saysAllergen(label, tag)).toBe(says));
	it('nothing is named by nothing', () => {
		expect(saysAllergen({ declaration: null, statement: null, mayContain: null }, 'milk')).toBe(false);
	});
});
