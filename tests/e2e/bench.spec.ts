import { LONG } from './long.ts';
import { choose } from './controls.ts';
import { ulid } from 'ulid';
import { bakeAtTheScale, goOn, scaleOfOwn, shows, weigh } from './at-the-scale.ts';
import { fresh, newFormula, open, planAtBench, ready, REST_STEP, post } from './making.ts';
import { expect, test } from './test.ts';
import { another } from '../../scripts/lib/come-in-browser.ts';

test(
	'a whole batch through the scale to a squared close, the page read again in each station',
	LONG,
	async ({ page }) => {
		test.slow();
		const pan = await scaleOfOwn(page);
		await newFormula(page, fresh('Bench roti'), { steps: [REST_STEP] });
		await planAtBench(page);
		await bakeAtTheScale(page, pan, async () => {
			await page.reload();
			await ready(page);
		});
	}
);

test('too much of a line: the rest is scaled to it, kept, or some is taken out; by feel it moves the hydration', async ({
	page
}) => {
	await scaleOfOwn(page);
	await newFormula(page, fresh('Over roti'), { steps: [REST_STEP] });
	await planAtBench(page);
	const type = async (grams: string) => {
		await page.getByLabel('Or type it').fill(grams);
		await page.getByRole('button', { name: 'Take it' }).click();
	};
	await type('some');
	await expect(page.getByLabel('Or type it')).toHaveAttribute('aria-invalid', 'true');
	await expect(page.getByLabel('Or type it')).toHaveValue('some');
	// 1005 is within half a percent of 1000, 1050 is 50 too much.
	await type('1050');
	await expect(page.getByText('50.0 g more than the 1,000 g wanted.')).toBeVisible();
	await page.getByRole('button', { name: 'Scale the rest to it' }).click();
	// 600 · 1.05 = 630
	await expect(page.getByTestId('to-add')).toContainText('Add 630.0 g');
	await type('640');
	await page.getByRole('button', { name: 'Take some out' }).click();
	await type('630');
	await expect(page.getByTestId('line-now')).toHaveText('Salt');
	await type('12');
	await expect(page.getByTestId('to-add')).toContainText('Add 9.0 g: 12 g are in'); // 20 · 1.05 = 21
	await page.getByRole('button', { name: 'Undo last' }).click();
	await expect(page.getByTestId('to-add')).toContainText('Add 21.0 g');
	await type('12');
	await page.getByRole('button', { name: 'Enough: go on' }).click();
	await expect(page.getByText('Every line of the mix is weighed')).toBeVisible();

	await goOn(page, 'Mix and rest', 'mix');
	await expect(page.getByTestId('hydration')).toHaveText('60.0%'); // 630 / 1050
	await choose(page.getByLabel('What is weighed'), { label: 'Water, added by feel' });
	await type('21');
	await expect(page.getByTestId('hydration')).toHaveText('62.0%'); // 651 / 1050
});

test('where no scale is connected, what the hand at the simulated one puts on is read', async ({ page }) => {
	const pan = await scaleOfOwn(page);
	await newFormula(page, fresh('Panel roti'), { steps: [REST_STEP] });
	await planAtBench(page);
	await weigh(page, pan, 1000);
	await expect(page.getByTestId('line-now')).toHaveText('Water');
});

test('the scale unplugged, overloaded, and taking by itself', LONG, async ({ page }) => {
	const pan = await scaleOfOwn(page);
	await newFormula(page, fresh('Scale roti'));
	await planAtBench(page);
	await page.getByRole('link', { name: 'Divide', exact: false }).first().click();
	await expect(page).toHaveURL(/divide$/);
	await page.getByLabel('Take a steady reading by itself').check();
	await pan.put(59);
	await expect(page.getByRole('button', { name: /^Ball 1, 59\.\d g, within/ })).toBeVisible();
	await pan.clear();
	await shows(page, '0.0');
	await pan.put(64);
	await expect(page.getByRole('button', { name: /^Ball 2, 6[34]\.\d g, heavy/ })).toBeVisible();
	await page.getByLabel('Take a steady reading by itself').uncheck();
	await pan.clear();
	await shows(page, '0.0');

	await test.step('a ball pressed is weighed again, in its place', async () => {
		await page.getByRole('button', { name: /^Ball 2/ }).click();
		await weigh(page, pan, 60);
		await expect(page.getByRole('button', { name: /^Ball 2, (60\.0|59\.9|60\.1) g, within/ })).toBeVisible();
		await expect(page.getByTestId('scale-of')).toHaveText('ball 3');
	});
	await test.step('a bowl can be taken off', async () => {
		await page.getByRole('button', { name: 'Tare', exact: true }).click();
		await shows(page, '0.0');
		await page.getByRole('button', { name: 'Take nothing off' }).click();
		await shows(page, '60.0');
	});
	await test.step('too much, and nothing at all, are said', async () => {
		await pan.put(6000);
		await expect(page.getByText('Too much for this scale')).toBeVisible();
		await expect(page.getByRole('button', { name: 'Take reading' })).toBeDisabled();
		await pan.clear();
		await pan.change({ connected: false });
		await expect(page.getByText('The scale does not answer')).toBeVisible();
		await pan.change({ connected: true });
		await shows(page, '0.0');
	});
});

test('a scale and a thermometer that send lines of text over a serial port', async ({ page }) => {
	// A port of the browser's own kind, at which something repeats one line ten times a second.
	await page.addInitScript(() => {
		const port = {
			readable: null as ReadableStream<Uint8Array> | null,
			open: () => {
				let timer: ReturnType<typeof setInterval>;
				port.readable = new ReadableStream({
					start: (controller) => {
						timer = setInterval(() => {
							const text = document.location.pathname.endsWith('cook') ? 'T 255.5 C' : 'ST,GS, 1.0002 kg';
							// Cut in the middle, as bytes come.
							controller.enqueue(new TextEncoder().encode(text.slice(0, 5)));
							controller.enqueue(new TextEncoder().encode(`${text.slice(5)}\r\n`));
						}, 100);
					},
					cancel: () => clearInterval(timer)
				});
				return Promise.resolve();
			},
			close: () => Promise.resolve()
		};
		Object.defineProperty(navigator, 'serial', { value: { requestPort: () => Promise.resolve(port) } });
	});
	await newFormula(page, fresh('Serial roti'));
	await planAtBench(page);
	await page.getByText(/^(Scale ready|Choose a scale)/).click();
	await page.getByRole('button', { name: 'At a serial port' }).click();
	await shows(page, '1,000.2');
	await page.getByRole('button', { name: 'Take reading' }).click();
	await expect(page.getByTestId('line-now')).toHaveText('Water');
	await page.getByRole('link', { name: 'Cook', exact: false }).first().click();
	await expect(page).toHaveURL(/cook$/);
	await page.getByRole('button', { name: 'Read a thermometer' }).click();
	await expect(page.getByLabel('Surface temperature')).toHaveValue('255.5');
	await page.getByRole('button', { name: 'Note it' }).first().click();
	await expect(page.getByRole('list', { name: 'Noted' })).toContainText('256 °C on the surface');
});

test('two browsers on one batch see each other’s readings', async ({ page, browser }) => {
	await newFormula(page, fresh('Shared roti'));
	await planAtBench(page);
	const other = await (await another(browser)).newPage();
	await open(other, page.url());
	const type = async (at: typeof page, grams: string) => {
		await at.getByLabel('Or type it').fill(grams);
		await at.getByRole('button', { name: 'Take it' }).click();
	};
	const began = Date.now();
	await type(page, '1000');
	await expect(other.getByTestId('line-now')).toHaveText('Water');
	test.info().annotations.push({ type: 'seen after', description: `${Date.now() - began} ms` });
	await type(other, '600');
	await expect(page.getByTestId('line-now')).toHaveText('Salt');
	await other.getByRole('button', { name: 'Undo last' }).click();
	await expect(page.getByTestId('line-now')).toHaveText('Water');
	await other.context().close();
});

test(
	'from a station of one batch to that of another nothing of the first comes along',
	LONG,
	async ({ page }) => {
		const name = fresh('First roti');
		await newFormula(page, name, { steps: [REST_STEP] });
		const formula = page.url();
		await planAtBench(page);
		await goOn(page, 'Mix and rest', 'mix');
		await page.getByRole('button', { name: 'Begin Cover and rest' }).click();
		const running = page.getByTestId('running').filter({ hasText: name });
		await expect(running).toBeVisible();
		await open(page, formula);
		await planAtBench(page);
		await goOn(page, 'Mix and rest', 'mix');
		await page.getByLabel('Or type it').fill('1604');
		await page.getByRole('button', { name: 'Take it' }).click();
		await expect(page.getByTestId('dough')).toHaveText(/1,604\.\d/);
		await expect(page.getByTestId('waiting')).toHaveCount(0);
		await choose(page.getByLabel('What is weighed'), { label: 'Water, added by feel' });
		await running.click();
		await expect(page.getByTestId('timer')).toBeVisible();
		await expect(page.getByTestId('dough')).toHaveText(/^–/);
		await expect(page.getByTestId('scale-of')).toHaveText('the whole dough');
	}
);

test('a timer that ran out while nobody looked is late after a reload, and shows on every page', async ({
	page
}) => {
	const name = fresh('Late roti');
	await newFormula(page, name, { steps: [REST_STEP] });
	await planAtBench(page);
	const batch = page.url().replace(/\/weigh$/, '');
	const begun = new Date(Date.now() - 34 * 60_000).toISOString();
	await post(page, `${batch}/entries.json`, {
		entries: [
			{
				kind: 'event',
				id: ulid(),
				at: begun,
				happening: { name: 'step begun', step: 0 },
				voids: null
			}
		]
	});
	// 34 minutes of 20 to 30
	const running = page.getByTestId('running').filter({ hasText: name });
	await open(page, '/formulas');
	await expect(running).toContainText(/4:\d\d over/);
	const rung = () =>
		page.evaluate(
			() => Object.keys(localStorage).filter((key) => key.startsWith('square-batch:rung:')).length
		);
	await expect.poll(rung).toBeGreaterThan(0);
	await page.reload();
	await ready(page);
	await running.click();
	await expect(page).toHaveURL(/mix$/);
	await expect(page.getByTestId('timer')).toContainText(/4:\d\d over/);
	await page.getByRole('button', { name: 'End Cover and rest' }).click();
	await expect(page.getByRole('list', { name: 'Steps' })).toContainText(/4:\d\d after its time/);
	await expect(running).toHaveCount(0);
});

test('what comes from another device meanwhile does not stop the way to another page', async ({ page }) => {
	await newFormula(page, fresh('Crossing roti'), { steps: [REST_STEP] });
	await planAtBench(page);
	const batch = page.url().replace(/\/weigh$/, '');
	await open(page, '/batches');
	let asked = () => {};
	const readingAgain = new Promise<void>((resolve) => (asked = resolve));
	await page.route('**/alive', async (route) => {
		await route.continue();
		asked();
	});
	await page.route('**/shelf/__data.json*', async (route) => {
		// On the way: another device begins a step, and what is shown is to be read again.
		await post(page, `${batch}/entries.json`, {
			entries: [
				{
					kind: 'event',
					id: ulid(),
					at: new Date().toISOString(),
					happening: { name: 'step begun', step: 0 },
					voids: null
				}
			]
		});
		await readingAgain;
		await page.waitForTimeout(300);
		await route.continue();
	});
	await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Shelf' }).click();
	await expect(page.getByRole('heading', { level: 1, name: 'Shelf' })).toBeVisible();
	await page.unrouteAll({ behavior: 'ignoreErrors' });
});

test('nine hundred balls from another device: the page is short, shows the newest, and the others when asked', async ({
	page
}) => {
	await newFormula(page, fresh('Many balls roti'));
	await planAtBench(page);
	const batch = page.url().replace(/\/weigh$/, '');
	const entries = Array.from({ length: 900 }, (_, index) => ({
		kind: 'weighing',
		id: ulid(),
		at: new Date().toISOString(),
		what: 'ball',
		lineId: null,
		// The third is too heavy.
		grams: index === 2 ? 90 : 60,
		corrects: null,
		by: 'scale',
		lotId: null
	}));
	for (let from = 0; from < entries.length; from += 100)
		await post(page, `${batch}/entries.json`, { entries: entries.slice(from, from + 100) });
	const answer = await page.request.get(`${batch}/divide`);
	expect((await answer.body()).length).toBeLessThan(200_000); // 552 kB written out
	await open(page, `${batch}/divide`);
	await expect(page.getByTestId('scale-of')).toHaveText('ball 901');
	const board = page.getByRole('list', { name: 'Ball board' });
	await expect(page.getByTestId('folded')).toContainText('Balls 1 to 820: 1 outside the tolerance');
	await expect(board.getByRole('button')).toHaveCount(80);
	await page.getByRole('button', { name: 'Show them' }).press('Enter');
	await expect(board.getByRole('button', { name: /^Ball 1, / })).toBeFocused();
	await expect(board.getByRole('button', { name: /^Ball 3, 90\.0 g, heavy/ })).toBeVisible();
	await expect(board.getByRole('button')).toHaveCount(900);
	// What is missed is told from where it may be missing.
	const told = async (after: string) => page.request.get(`${batch}/entries.json?after=${after}`);
	expect(((await (await told('898')).json()) as { entries: unknown[] }).entries).toHaveLength(2);
	expect((await told('x')).status()).toBe(400);
});

test('what is not taken says so and is not lost without a word', async ({ page }) => {
	await newFormula(page, fresh('Not taken roti'));
	await planAtBench(page);
	await page.getByRole('link', { name: 'Cook', exact: false }).first().click();
	await expect(page).toHaveURL(/cook$/);
	// Another device counted one ball: a second reject cannot be.
	const batch = page.url().replace(/\/cook$/, '');
	const counted = { name: 'counted', of: 'balls', count: 1 };
	await post(page, `${batch}/entries.json`, {
		entries: [{ kind: 'event', id: ulid(), at: new Date().toISOString(), happening: counted, voids: null }]
	});
	await page.getByRole('button', { name: 'burnt' }).click();
	await page.getByRole('button', { name: 'torn' }).click();
	const said = page.getByRole('alert').filter({ hasText: '2 rejects are more than the 1 balls' });
	await expect(said).toBeVisible();
	await expect(page.getByTestId('pieces')).toContainText('Rejected 1');
	// Sent again it is refused again; taken off it is with a reason, which the server has.
	await said.getByRole('button', { name: 'Send again' }).click();
	await expect(said).toBeVisible();
	await said.getByRole('button', { name: 'Take it off…' }).click();
	await expect(said.getByRole('button', { name: 'Take it off', exact: true })).toBeDisabled();
	await said.getByLabel('Why it is taken off').fill('pressed twice');
	await said.getByRole('button', { name: 'Take it off', exact: true }).click();
	await expect(said).toHaveCount(0);
	await expect(page.getByText(/left on a device/)).toHaveCount(0);
});

test('what cannot be meant is asked, and a reading of the wrong line goes to the right one and back', async ({
	page
}) => {
	await scaleOfOwn(page);
	await newFormula(page, fresh('Asked roti'), { steps: [REST_STEP] });
	await planAtBench(page);
	const type = async (grams: string) => {
		await page.getByLabel('Or type it').fill(grams);
		await page.getByRole('button', { name: 'Take it', exact: true }).click();
	};
	const ofMix = (name: string) =>
		page
			.getByRole('list', { name: 'Lines of the mix' })
			.getByRole('button', { name: new RegExp(`^${name}`) });
	// 8000 g where 1000 g are wanted.
	await type('8000');
	await expect(page.getByRole('alert')).toContainText('8 times what is wanted here');
	await page.getByRole('button', { name: 'Not this' }).click();
	await expect(page.getByTestId('to-add')).toContainText('Add 1,000.0 g');

	// The water was weighed while the flour was named.
	await type('600');
	await expect(ofMix('Bread flour')).toContainText('600.0');
	await page.getByRole('button', { name: 'It was Water' }).click();
	await expect(ofMix('Water')).toContainText('600.0');
	await expect(ofMix('Bread flour')).toContainText(/^\D*\/ 1,000\.0/);
	await expect(page.getByTestId('line-now')).toContainText('Bread flour');
	await page.getByRole('button', { name: 'Undo last' }).click();
	await expect(ofMix('Bread flour')).toContainText('600.0');
	await expect(ofMix('Water')).toContainText(/^\D*\/ 600\.0/);
	// And as the server has it.
	await expect(page.getByText('waiting')).toHaveCount(0);
	await page.reload();
	await ready(page);
	await expect(ofMix('Bread flour')).toContainText('600.0');

	await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Cook' }).click();
	await page.getByLabel('Surface temperature').fill('500');
	await page.getByRole('button', { name: 'Note it' }).first().click();
	await expect(page.getByText('hotter than any plate for bread')).toBeVisible();
	await page.getByLabel('Surface temperature').fill('450 F');
	await page.getByRole('button', { name: 'Note it' }).first().click();
	// (450 − 32) · 5/9 = 232.2
	await expect(page.getByText('232 °C on the surface')).toBeVisible();
});
