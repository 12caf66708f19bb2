import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { FormulaDraft } from './draft.ts';
import { dropCopy, heldCopy, holdCopy, type TypedCopy } from './typed-copy.ts';

const kept = new Map<string, string>();
const draft = (name: string, id = 'one') => ({ id, version: 3, name, lines: [] }) as unknown as FormulaDraft;
const copy = (name: string): TypedCopy => ({ draft: draft(name), sent: [], isUnreached: false });

beforeEach(() => {
	kept.clear();
	vi.stubGlobal('localStorage', {
		getItem: (key: string) => kept.get(key) ?? null,
		setItem: (key: string, value: string) => void kept.set(key, value),
		removeItem: (key: string) => void kept.delete(key)
	});
	return () => vi.unstubAllGlobals();
});

describe('what is held of a sheet', () => {
	it('is there until it is let go, and of its own formula alone', () => {
		holdCopy(copy('typed'));
		expect(heldCopy('one')).toEqual(copy('typed'));
		expect(heldCopy('two')).toBeNull();
		dropCopy('one');
		expect(heldCopy('one')).toBeNull();
	});

	it('stays where more was typed since: the answer is to what was sent before', () => {
		const sent = holdCopy(copy('typed'));
		holdCopy(copy('typed on'));
		dropCopy('one', sent);
		expect(heldCopy('one')?.draft.name).toBe('typed on');
	});

	it('is read as versions before held it, and not where it is broken or another’s', () => {
		const [key = ''] = (holdCopy(copy('typed')), [...kept.keys()]);
		kept.set(key, JSON.stringify(draft('of before')));
		expect(heldCopy('one')).toMatchObject({ draft: { name: 'of before' }, sent: [], isUnreached: true });
		for (const broken of ['{"draft":', '3', '{}', JSON.stringify(draft('other', 'two'))]) {
			kept.set(key, broken);
			expect(heldCopy('one')).toBeNull();
		}
	});

	it('is left out where the browser has no room, and what is typed goes on', () => {
		vi.stubGlobal('localStorage', {
			setItem: () => {
				throw new DOMException('full', 'QuotaExceededError');
			}
		});
		expect(holdCopy(copy('typed'))).toContain('typed');
	});
});
