import fc from 'fast-check';
import {
	COUNTED,
	OF_A_LINE,
	REJECT_REASONS,
	WEIGHED,
	type Entry,
	type EventEntry,
	type Happening,
	type WeighingEntry
} from '$core/bench/entries.ts';
import { event, weighing } from '$core/testing/entries.ts';
import { newId } from '$lib/server/rows.ts';

type Named<N extends Happening['name']> = Happening & { name: N };

/** Lines are drawn by their place; those of the batch are put in its place. */
const LINE = fc.nat(2).map(String);
const step = fc.nat(2);
const count = fc.integer({ min: 1, max: 9 });

/** One for each thing that may happen: a new one does not compile until it is drawn here. */
const HAPPENINGS: { [N in Happening['name']]: fc.Arbitrary<Named<N>> } = {
	'step begun': fc.record({ name: fc.constant('step begun'), step }),
	'step ended': fc.record({ name: fc.constant('step ended'), step }),
	'piece rejected': fc.record({
		name: fc.constant('piece rejected'),
		reason: fc.constantFrom(...REJECT_REASONS)
	}),
	'pieces on': fc.record({ name: fc.constant('pieces on'), count }),
	'pieces done': fc.record({ name: fc.constant('pieces done'), count }),
	'surface temperature': fc.record({
		name: fc.constant('surface temperature'),
		temperature_c: fc.integer({ min: 20, max: 350 })
	}),
	noted: fc.record({ name: fc.constant('noted'), cue: fc.constant(''), text: fc.string({ maxLength: 9 }) }),
	counted: fc.record({
		name: fc.constant('counted'),
		of: fc.constantFrom(...COUNTED),
		count: fc.option(fc.nat(30))
	}),
	'line kept': fc.record({ name: fc.constant('line kept'), lineId: LINE }),
	'rest scaled': fc.record({
		name: fc.constant('rest scaled'),
		factor: fc.constantFrom(0.9, 1.25),
		lineIds: fc.uniqueArray(LINE, { minLength: 1, maxLength: 2 })
	}),
	'at once': fc.record({ name: fc.constant('at once'), count }),
	'part-cooked': fc.record({ name: fc.constant('part-cooked'), is: fc.boolean() }),
	'short pack': fc.record({ name: fc.constant('short pack'), pieces: fc.integer({ min: 1, max: 3 }) }),
	'best before': fc.record({
		name: fc.constant('best before'),
		day: fc.option(fc.constantFrom('2026-04-09', '2026-04-12'))
	}),
	void: fc.record({ name: fc.constant('void') })
};

const happening = fc.oneof(...Object.values<fc.Arbitrary<Happening>>(HAPPENINGS));

/** What a device does next: a reading, one corrected or withdrawn, or whatever else happens. */
const STEP = fc.oneof(
	fc.record({
		kind: fc.constant('weighing' as const),
		what: fc.constantFrom(...WEIGHED),
		line: LINE,
		grams: fc.integer({ min: 1, max: 900 })
	}),
	fc.record({
		kind: fc.constant('correction' as const),
		of: fc.nat(3),
		grams: fc.option(fc.integer({ min: 1, max: 900 }))
	}),
	{ arbitrary: fc.record({ kind: fc.constant('event' as const), happening, of: fc.nat(3) }), weight: 3 }
);
type Step = typeof STEP extends fc.Arbitrary<infer T> ? T : never;

/** Somebody at a device: how many hours its clock is wrong, and what they do. */
export const DEVICE = fc.record({
	skew_h: fc.integer({ min: -30, max: 30 }),
	steps: fc.array(STEP, { minLength: 1, maxLength: 10 })
});

/** The entries a device makes of the batch with these three lines, on its own clock. */
export function entriesOfDevice(
	{ skew_h, steps }: { skew_h: number; steps: Step[] },
	lines: readonly string[]
): Entry[] {
	const made: Entry[] = [];
	const began = Date.parse('2026-04-05T08:00:00Z') + skew_h * 3_600_000;
	for (const [index, step] of steps.entries()) {
		const entry = entryOf(step, made, lines);
		if (entry) made.push({ ...entry, at: new Date(began + index * 60_000).toISOString() });
	}
	return made;
}

function entryOf(step: Step, before: readonly Entry[], lines: readonly string[]): Entry | null {
	const line = (place: string): string => lines[Number(place)] ?? '';
	if (step.kind === 'weighing') {
		const lineId = OF_A_LINE.includes(step.what) ? line(step.line) : null;
		return weighing({ what: step.what, lineId, grams: step.grams });
	}
	if (step.kind === 'correction') {
		const readings = before.filter((each): each is WeighingEntry => each.kind === 'weighing');
		const of = readings[step.of % Math.max(1, readings.length)];
		return of ? weighing({ ...of, id: newId(), grams: step.grams, corrects: of.id }) : null;
	}
	const { happening: what } = step;
	if (what.name === 'void') {
		const happened = before.filter((each): each is EventEntry => each.kind === 'event' && !each.voids);
		const of = happened[step.of % Math.max(1, happened.length)];
		return of ? event(what, { voids: of.id }) : null;
	}
	if (what.name === 'line kept') return event({ ...what, lineId: line(what.lineId) });
	if (what.name === 'rest scaled') return event({ ...what, lineIds: what.lineIds.map(line) });
	return event(what);
}
