import { describe, expect, it } from 'vitest';
import { uptakeIsAssumed, uptakeOf_g } from './surface.ts';
import type { SurfaceUse } from './types.ts';

const line = (use: SurfaceUse, uptake_g: number | null = null) => ({ use, used_g: 40, uptake_g });

describe('what stays of surface material', () => {
	it.each([
		// Section 3: what is brushed, layered or sprinkled stays; of what pieces are rolled or laid in, half does.
		['layering', 40, false],
		['brushing', 40, false],
		['garnish', 40, false],
		['dusting', 20, true],
		['bowl', 20, true],
		['griddle', 20, true]
	] as const)('of 40 g for %s is %d g until it is weighed; a guess: %s', (use, grams, assumed) => {
		expect(uptakeOf_g(line(use))).toBe(grams);
		expect(uptakeIsAssumed(line(use))).toBe(assumed);
	});

	it('is what was weighed, nothing too', () => {
		expect(uptakeOf_g(line('dusting', 31))).toBe(31);
		expect(uptakeOf_g(line('layering', 0))).toBe(0);
		expect(uptakeIsAssumed(line('dusting', 0))).toBe(false);
	});
});
