import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { everyRoute } from '../../scripts/lib/hostile.ts';
import type { SoundForm } from '../../scripts/lib/sound-forms/form.ts';
import { soundForms } from '../../scripts/lib/sound-forms/index.ts';
import { startLabelPrinter } from '../../stand-ins/label-printer.ts';
import type { Kitchen } from '../../src/lib/kitchen/types.ts';
import type { Who } from '../../src/lib/people/types.ts';
import { demoLoaded, useBench, wrenOf } from './kitchen.ts';
import { sendForm } from './send-form.ts';

const bench = useBench();
/** What lets people in and out is tried in `people.test.ts` and at the door itself. */
const OF_THE_DOOR = /^\/(door|me|people)(\/| |$)/;
const FORMS = everyRoute()
	.flatMap(({ path, actions }) => actions.map((action) => `${path} ${action}`))
	.filter((form) => !OF_THE_DOOR.test(form));
/**
 * What counts changes, what follows from rows beside it, and as what the browser is known in a kitchen, are no rows
 * somebody sent.
 */
const FOLLOWING = [
	'changes',
	'sales_months',
	'batch_standings',
	'devices',
	'feed',
	'feed_heads',
	'kitchen_usage'
];
/** Refused where nothing would change: the demo's labels are approved as they stand. */
const REFUSED = ['/labels/[id] approve'];

const folder = mkdtempSync(join(tmpdir(), 'square-batch-printer-'));
let kitchen: Kitchen;
let who: Who;
let making: ReturnType<typeof soundForms>;
beforeAll(async () => {
	kitchen = await demoLoaded(bench.db);
	making = soundForms(bench.db, kitchen);
	who = await wrenOf(bench.db, kitchen.id);
	const printer = await startLabelPrinter(folder);
	vi.stubEnv('LABEL_PRINTER_URL', printer.address);
	return () => {
		vi.unstubAllEnvs();
		printer.stop();
		rmSync(folder, { recursive: true });
	};
}, 120_000);

/** How many rows each table has. */
async function rows(): Promise<Record<string, number>> {
	const [tables] = (await bench.db.raw('SHOW TABLES')) as [Record<string, string>[]];
	const names = tables.flatMap((row) => Object.values(row)).filter((name) => !FOLLOWING.includes(name));
	const counts = names.map((name) => `SELECT '${name}' AS name, COUNT(*) AS rows_ FROM \`${name}\``);
	const [found] = (await bench.db.raw(counts.join(' UNION ALL '))) as [{ name: string; rows_: number }[]];
	return Object.fromEntries(found.map((row) => [row.name, row.rows_]));
}

/** What a form added, by table. */
async function added(act: () => Promise<unknown>): Promise<Record<string, number>> {
	const before = await rows();
	await act();
	return Object.fromEntries(
		Object.entries(await rows()).flatMap(([name, now]) => {
			const more = now - (before[name] ?? 0);
			return more === 0 ? [] : [[name, more]];
		})
	);
}

const send = (form: string, sound: SoundForm) => sendForm({ db: bench.db, kitchen, who }, form, sound);

it('every form is known here', () => {
	expect(Object.keys(making).sort()).toEqual([...FORMS].sort());
});

describe('a form that is sent twenty times at once is kept once', () => {
	it.each(FORMS)('%s', async (form) => {
		const make = making[form];
		if (!make) throw new Error(`no sound ${form}`);
		const one = await make();
		const once = await added(async () => {
			const answer = await send(form, one);
			if (!REFUSED.includes(form)) expect(answer).toBe('done');
		});
		const other = await make();
		let answers: string[] = [];
		const twenty = await added(async () => {
			answers = await Promise.all(Array.from({ length: 20 }, () => send(form, other)));
		});
		// How many lots it draws from goes by what is left of each.
		const { lot_moves: _1, ...kept } = twenty;
		const { lot_moves: _2, ...asOnce } = once;
		expect(kept).toEqual(asOnce);
		// Each is answered: done, or refused in words, as where somebody saved before.
		expect(answers.filter((answer) => answer.startsWith('thrown'))).toEqual([]);
		if (!REFUSED.includes(form)) expect(answers).toContain('done');
	});
});

it('every lot is what its moves come to', async () => {
	const [off] = (await bench.db.raw(
		`SELECT l.code FROM lots AS l JOIN lot_moves AS m ON m.lot_id = l.id
		GROUP BY l.id HAVING SUM(m.amount) <> MAX(l.on_hand) OR MAX(l.on_hand) < 0`
	)) as [unknown[]];
	expect(off).toEqual([]);
});
