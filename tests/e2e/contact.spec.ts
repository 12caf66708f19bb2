import { LONG } from './long.ts';
import { choose, typeTime } from './controls.ts';
import { answered, fresh, measure, newFormula, open, planBatch, pressPart, record, save } from './making.ts';
import { expect, test } from './test.ts';

test(
	'what a batch may have caught is proposed, declined with a reason, and gone after a clean',
	LONG,
	async ({ page }) => {
		const board = fresh('Board');
		await open(page, '/kitchen');
		await page.getByLabel('Equipment to add').fill(board);
		await answered(page, () => page.getByRole('button', { name: 'Add it' }).click());
		await expect(page.getByRole('button', { name: `${board} is out of use` })).toBeVisible();

		const butter = fresh('Loose butter');
		await open(page, '/shelf/blank');
		await page.getByLabel('Name, as you call it').fill(butter);
		await page.getByLabel('milk', { exact: true }).check();
		await page.getByText('What its pack says it may contain').click();
		await page.getByLabel('may contain soy').check();
		await page.getByLabel('I have confirmed this list').check();
		await page.getByLabel('By what').fill('pack');
		await page.getByRole('button', { name: 'Put it on the shelf' }).click();
		await expect(page.getByRole('heading', { level: 1, name: butter })).toBeVisible();

		const touchOnly = async (beganAt: string, freeAt: string) => {
			for (const box of await page.getByRole('group', { name: 'It touches' }).getByRole('checkbox').all())
				await box.uncheck();
			await page.getByRole('group', { name: 'It touches' }).getByLabel(board).check();
			await typeTime(page, 'Begun at', beganAt);
			await typeTime(page, 'Equipment free at', freeAt);
			await measure(page);
			await record(page);
		};
		const buttered = fresh('Buttered roti');
		await newFormula(page, buttered);
		await page.getByRole('button', { name: /^Type the next line/ }).click();
		await choose(page.getByLabel('Ingredient of line 5'), { label: butter });
		await page.getByLabel('Grams of line 5').fill('10');
		await answered(page, () => page.getByRole('button', { name: /^Keep as version/ }).click());
		await planBatch(page);
		await touchOnly('08:00', '09:10');

		const plain = fresh('Bare roti');
		await newFormula(page, plain);
		await planBatch(page);
		await touchOnly('10:00', '11:10');
		const proposals = page.getByTestId('proposals').getByRole('listitem');

		await test.step('proposed with where it came from, and answered only with a reason', async () => {
			await expect(proposals).toHaveCount(1);
			await expect(proposals).toContainText('May it contain Milk?');
			await expect(proposals).toContainText(`Milk was handled in ${buttered}`);
			await answered(page, () => page.getByRole('button', { name: 'It cannot have' }).click());
			await expect(page.getByText('say why: the reason is kept')).toBeVisible();
		});

		await test.step('a recorded clean in between takes it away, and voiding the clean brings it back', async () => {
			await page.getByText('Record a clean').click();
			const clean = page.getByRole('form', { name: 'A clean of the day' });
			await typeTime(clean, 'At', '09:30');
			await answered(page, () => clean.getByRole('button', { name: 'Record it' }).click());
			await expect(page.getByText('say how it was cleaned').first()).toBeVisible();
			await clean.getByLabel('How').fill('washed, rinsed, dried');
			await answered(page, () => clean.getByRole('button', { name: 'Record it' }).click());
			await expect(page.getByText('choose what was cleaned')).toBeVisible();
			await clean.getByLabel(board).check();
			await answered(page, () => clean.getByRole('button', { name: 'Record it' }).click());
			await expect(proposals).toHaveCount(0);
			await expect(page.getByText('cleaned: washed, rinsed, dried')).toBeVisible();
			await page.getByText('void', { exact: true }).click();
			await page.getByLabel('Why it does not count').fill('another board');
			await answered(page, () => page.getByRole('button', { name: 'Void this clean' }).click());
			await expect(proposals).toHaveCount(1);
		});

		await test.step('declined, the reason is kept', async () => {
			await proposals.getByRole('textbox').fill('the butter stayed in its tub');
			await answered(page, () => proposals.getByRole('button', { name: 'It cannot have' }).click());
			await expect(proposals).toHaveCount(0);
			await page.getByText('What was decided, and why').click();
			await expect(
				page.getByRole('row', { name: /Milk declined the butter stayed in its tub/ })
			).toBeVisible();
		});

		await test.step('what a pack says it may contain is asked on the label that uses it', async () => {
			await open(page, '/labels');
			await page.getByRole('link', { name: buttered }).click();
			await pressPart(page, 'contact');
			await expect(page.getByText(`the pack of ${butter} says it may contain Soy`)).toBeVisible();
		});
	}
);

test(
	'a product carries a label of each rule set; the profile’s words stand on it',
	LONG,
	async ({ page }) => {
		const name = fresh('Exported roti');
		await newFormula(page, name);
		await planBatch(page);
		await measure(page);
		await record(page);
		await open(page, '/labels');
		await page.getByRole('link', { name }).click();
		await pressPart(page, 'keeping');
		await page.getByLabel('How to keep it').fill('Keep closed.');
		await save(page);
		await page.getByRole('link', { name: /European Union and United Kingdom/ }).click();
		await expect(page).toHaveURL(/rules=eu$/);
		await expect(page.getByText('never approved')).toBeVisible();
		await pressPart(page, 'keeping');
		await page.getByLabel('How to keep it').fill('Keep chilled.');
		await pressPart(page, 'barcode');
		await page.getByLabel('Barcode number').fill('200000000000 7');
		await answered(page, () => page.getByRole('button', { name: 'Save', exact: true }).click());
		await expect(page.getByText('the last digit would have to be 8').first()).toBeVisible();
		await page.getByLabel('Barcode number').fill('200000000000 8');
		await save(page);
		await page.reload();
		await pressPart(page, 'keeping');
		await expect(page.getByLabel('How to keep it')).toHaveValue('Keep chilled.');
		await pressPart(page, 'barcode');
		await expect(page.getByLabel('Barcode number')).toHaveValue('2000000000008');
		const drawing = page.getByRole('img', { name: new RegExp(`^${name}`) });
		await expect(drawing).toContainText('2000000000008');
		await expect(drawing).toContainText('Permit 24-0117.');
		await open(page, '/labels');
		await expect(page.getByRole('link', { name })).toHaveCount(2);
		await page
			.getByRole('row', { name: /US rules/ })
			.getByRole('link', { name })
			.click();
		await pressPart(page, 'keeping');
		await expect(page.getByLabel('How to keep it')).toHaveValue('Keep closed.');
	}
);

test('the local profile: an example to begin from, what is asked, and bad input at its place', async ({
	page
}) => {
	await open(page, '/kitchen');
	await page.getByRole('link', { name: 'See and change it' }).click();
	await page.getByLabel('Most that may be sold in a year').fill('a lot');
	await answered(page, () => page.getByRole('button', { name: 'Save', exact: true }).click());
	await expect(page.getByLabel('Most that may be sold in a year')).toHaveAttribute('aria-invalid', 'true');
	await choose(page.getByLabel('Begin from'), 'oxlip');
	await expect(page.getByLabel('Sentence on every label')).toHaveValue(
		'Made in a home kitchen that is not inspected.'
	);
	await expect(page.getByLabel('Permit or registration number')).toHaveValue('');
	await page.getByLabel('Permit or registration number').fill('24-0117');
	await page.getByLabel(/^4\. Is a food-handling course/).fill('Yes, both of us. Letter of the authority.');
	await save(page);
	await expect(page.getByText(/^3 of 14 answered/)).toBeVisible();
	await open(page, '/sales');
	await expect(page.getByTestId('year')).toContainText('your local profile allows in a year');
	await page.getByLabel('Where').fill('By post');
	await expect(page.getByText('not among the ways your local profile lists')).toBeVisible();
	await page.getByLabel('Where').fill('from the door');
	await expect(page.getByText('not among the ways your local profile lists')).toHaveCount(0);
});
