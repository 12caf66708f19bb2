import { describe, expect, it } from 'vitest';
import { event, weighing } from '../testing/entries.ts';
import type { Entry } from './entries.ts';
import { benchMinutes, lastUse } from './minutes.ts';

const at = (time: string) => ({ at: `2026-04-05T${time}:00.000Z` });
const STEPS = [{ kind: 'knead' as const }, { kind: 'rest' as const }];

describe('minutes of a batch from the bench', () => {
	const worked: Entry[] = [
		weighing({ what: 'line', lineId: 'a', ...at('09:00') }),
		event({ name: 'step begun', step: 0 }, at('09:05')),
		event({ name: 'step ended', step: 0 }, at('09:15')),
		event({ name: 'step begun', step: 1 }, at('09:15')),
		event({ name: 'step ended', step: 1 }, at('10:00')),
		event({ name: 'pieces on', count: 2 }, at('10:20')),
		event({ name: 'piece rejected', reason: 'torn' }, at('10:22')),
		event({ name: 'pieces done', count: 1 }, at('11:10'))
	];

	it('heat from the first piece on to the last done, hands from first to last less the rest', () => {
		// heat 10:20–11:10 = 50; all 09:00–11:10 = 130, the rest was 45
		expect(benchMinutes(worked, STEPS)).toEqual({ taken_min: 130, heat_min: 50, hands_min: 85 });
	});

	it('a step that was worked counts, whatever is not known of it', () => {
		expect(benchMinutes(worked, []).hands_min).toBe(130);
	});

	it('what was taken back is not timed', () => {
		const late = event({ name: 'pieces done', count: 1 }, at('15:00'));
		const back = event({ name: 'void' }, { voids: late.id, ...at('15:01') });
		expect(benchMinutes([...worked, late, back], STEPS).heat_min).toBe(50);
	});

	it('what was typed later, or only one moment, says nothing', () => {
		expect(benchMinutes([], STEPS)).toEqual({ taken_min: null, heat_min: null, hands_min: null });
		const typed = weighing({ by: 'typed', ...at('20:00') });
		const on = event({ name: 'pieces on', count: 1 }, at('10:20'));
		expect(benchMinutes([typed, on], STEPS)).toEqual({ taken_min: null, heat_min: null, hands_min: null });
	});
});

describe('the last use of the equipment', () => {
	it('is the last of what was weighed, stepped and cooked, whenever it was typed', () => {
		const entries = [
			event({ name: 'pieces done', count: 1 }, at('11:10')),
			weighing({ what: 'finished', by: 'typed', ...at('11:40') }),
			event({ name: 'counted', of: 'packs', count: 4 }, at('18:00'))
		];
		expect(lastUse(entries)).toBe('2026-04-05T11:40:00.000Z');
	});

	it('leaves out what was taken back and what corrects, and is not known of nothing', () => {
		const first = weighing(at('11:00'));
		const again = weighing({ corrects: first.id, ...at('18:00') });
		const late = event({ name: 'pieces done', count: 1 }, at('15:00'));
		const back = event({ name: 'void' }, { voids: late.id, ...at('15:01') });
		expect(lastUse([first, again, late, back])).toBe('2026-04-05T11:00:00.000Z');
		expect(lastUse([event({ name: 'counted', of: 'packs', count: 4 }, at('18:00'))])).toBeNull();
	});
});
