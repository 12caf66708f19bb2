import { describe, expect, it } from 'vitest';
import { areHandlesShort, connectionsAtMost, handlesAtMost, streamsAtMost } from './handles.ts';

describe('file handles', () => {
	it('are shared so that what is asked can still be answered', () => {
		// Of 1024, 128 are kept back: 896 connections, half of them streams.
		expect([connectionsAtMost(1024), streamsAtMost(1024)]).toEqual([896, 448]);
		expect([connectionsAtMost(64), streamsAtMost(64)]).toEqual([16, 8]);
		expect(streamsAtMost(Infinity)).toBe(Infinity);
	});

	it('are counted, and are not short here', () => {
		expect(handlesAtMost()).toBeGreaterThan(100);
		expect(areHandlesShort()).toBe(false);
	});
});
