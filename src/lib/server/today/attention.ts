import type { Attention } from '../../kitchen/today.ts';
import type { Right } from '../../people/roles.ts';
import { Money, sumMoney } from '$core/cost/money.ts';
import { isStalePrice, PRICE_GOOD_DAYS } from '$core/cost/stale.ts';
import { freshness } from '$core/stock/need.ts';
import { dayText, money, plain, plural } from '../../format.ts';
import { isPast } from '../../sales/stall.ts';
import type { BatchLeft } from '../../batch/left.ts';
import type { BatchSummary } from '../../batch/summary.ts';
import type { Database } from '../db/connection.ts';
import { listFormulas } from '../formulas/read.ts';
import { listIngredients } from '../ingredients.ts';
import { today } from '../kitchens.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { listLabels } from '../labels/read.ts';
import { labelState, type Label } from '../../label/types.ts';
import type { UnsureFigure } from '../../sure/types.ts';
import { unsureFigures } from '../sure/unsure.ts';
import { stockItems } from '../lots/outlook.ts';
import { lotsOnHand } from '../lots/read.ts';
import { pricePacks } from '../prices.ts';
import { getProfile } from '../profiles.ts';
import { owedNow } from '../sales/payments.ts';
import { yearOfSales, yearThatEnded } from '../sales/year.ts';

/** So many of a kind are named one by one. */
const MOST_NAMED = 2;

/**
 * Everything of a kitchen that wants looking at by somebody with these rights, what can hurt somebody first. `left` are the batches with packs
 * left, `recent` the newest of each product.
 */
export async function attentionOf(
	db: Database,
	kitchen: Kitchen,
	left: readonly BatchLeft[],
	recent: readonly BatchSummary[],
	rights: readonly Right[]
): Promise<Attention[]> {
	const found = await Promise.all([
		labelsNotRight(db, kitchen, recent),
		stockShortOrOld(db, kitchen),
		rights.includes('costs') ? pricesOld(db, kitchen) : [],
		rights.includes('ledger') ? salesToSettle(db, kitchen) : []
	]);
	const all = [
		...packsHeld(left),
		...packsPastDate(left, today(kitchen)),
		...batchesNotClosed(recent),
		...found.flat()
	];
	return [...all.filter((each) => each.grave), ...all.filter((each) => !each.grave)];
}

/** Packs whose label says less than what is in them. */
function packsHeld(left: readonly BatchLeft[]): Attention[] {
	return left.flatMap((batch) =>
		batch.held.length > 0
			? {
					grave: true,
					href: `/labels/${batch.productId}`,
					what: `${plural(batch.packsLeft, 'pack')} of ${batch.name}, batch ${batch.code}`,
					why: `held: ${someOf(batch.held)}`
				}
			: []
	);
}

function packsPastDate(left: readonly BatchLeft[], day: string): Attention[] {
	return left.flatMap((batch) =>
		batch.bestBefore !== null && isPast(batch, day)
			? {
					grave: true,
					href: `/sales?batch=${batch.id}&as=past`,
					what: `${plural(batch.packsLeft, 'pack')} of ${batch.name}, batch ${batch.code}`,
					why: `past their best-before of ${dayText(batch.bestBefore)}: take them off sale and write them off`
				}
			: []
	);
}

async function labelsNotRight(
	db: Database,
	kitchen: Kitchen,
	recent: readonly BatchSummary[]
): Promise<Attention[]> {
	const labels = await listLabels(db, kitchen, recent);
	const unsure = await unsureFigures(db, kitchen, labels, recent);
	return labels.flatMap((label): Attention[] => {
		const state = labelState(label);
		const at = { href: `/labels/${label.product.id}`, what: `Label of ${label.product.name}` };
		const waits = [...label.blocks.map((block) => block.message), ...label.misfits];
		if (state === 'out of date')
			return [{ ...at, grave: true, why: `out of date: ${someOf(label.changes.map(({ what }) => what))}` }];
		if (state === 'waits') return [{ ...at, grave: true, why: someOf(waits) }];
		return [
			...(state === 'ready' ? [{ ...at, grave: false, why: 'ready to be approved' }] : []),
			...unsureOf(label, unsure.get(label) ?? [], kitchen)
		];
	});
}

/** Figures of a label a laboratory may not find so. */
function unsureOf(
	{ product, plainRecipe: { rules } }: Label,
	unsure: readonly UnsureFigure[],
	kitchen: Pick<Kitchen, 'rules'>
): Attention[] {
	const [least] = unsure;
	if (!least) return [];
	const chance = Math.round(least.survives * 100);
	return [
		{
			grave: false,
			href: `/sure/label/${product.id}${rules === kitchen.rules ? '' : `?rules=${rules}`}`,
			what: `${least.name} of ${product.name}`,
			why: `${chance} in 100 that a laboratory finds it as printed${unsure.length > 1 ? `, and ${plural(unsure.length - 1, 'figure')} more` : ''}${least.mends ? '' : '; measuring alone does not mend it'}`
		}
	];
}

async function stockShortOrOld(db: Database, kitchen: Kitchen): Promise<Attention[]> {
	const day = today(kitchen);
	const lots = await lotsOnHand(db, kitchen.id);
	const amount = (value: number, unit: 'g' | 'pieces') => `${plain(value)}${unit === 'g' ? ' g' : ''}`;
	const short = (await stockItems(db, kitchen.id, lots)).flatMap((item): Attention[] =>
		item.missing > 0
			? [
					{
						grave: false,
						href: '/shelf/lots',
						what: item.name,
						why: `${amount(item.missing, item.unit)} missing for what is planned${item.runsOutCode ? `, from batch ${item.runsOutCode} on` : ''}`
					}
				]
			: []
	);
	const dated = lots.flatMap((lot): Attention[] => {
		const fresh = lot.onHand > 0 ? freshness(lot.bestBefore, day) : 'good';
		if ((fresh !== 'past' && fresh !== 'near') || lot.bestBefore === null) return [];
		return [
			{
				grave: fresh === 'past',
				href: `/shelf/lots/${lot.id}`,
				what: `${lot.name}, lot ${lot.code}`,
				why: `${amount(lot.onHand, lot.unit)} ${fresh} the date ${dayText(lot.bestBefore)}`
			}
		];
	});
	return [...dated, ...short];
}

/** Batches that were made and not closed: those that are off by their name, the others counted. */
function batchesNotClosed(recent: readonly BatchSummary[]): Attention[] {
	const found: Attention[] = [];
	const others: BatchSummary[] = [];
	for (const batch of recent.filter((each) => each.packsMade > 0 && !each.isClosed)) {
		const off = batch.standing.closings.find((closing) => closing.state === 'off');
		if (off?.state !== 'off') others.push(batch);
		else
			found.push({
				grave: false,
				href: `/batches/${batch.id}`,
				what: `Batch ${batch.code}, ${batch.name}`,
				why: `off: ${off.message}`
			});
	}
	const [only] = others;
	if (only)
		found.push({
			grave: false,
			href: others.length === 1 ? `/batches/${only.id}` : '/batches',
			what: `${plural(others.length, 'batch', 'batches')} made, not closed yet`,
			why: someOf(others.map(({ code, name }) => `${code} ${name}`))
		});
	return found;
}

/** Ingredients of the formulas that are made whose price is too old to go by, or that have none. */
async function pricesOld(db: Database, kitchen: Kitchen): Promise<Attention[]> {
	const [formulas, ingredients, packs] = await Promise.all([
		listFormulas(db, kitchen.id),
		listIngredients(db, kitchen.id),
		pricePacks(db, kitchen.id)
	]);
	const shelf = new Map(ingredients.map((ingredient) => [ingredient.id, ingredient]));
	const used = new Set<string>();
	const use = (id: string): void => {
		if (used.has(id)) return;
		used.add(id);
		shelf.get(id)?.mix?.forEach((line) => use(line.ingredient));
	};
	for (const { archived, number, lines } of formulas)
		if (!archived && number > 0) lines.forEach((line) => use(line.ingredient));
	const old = [...used].flatMap((id) => {
		const ingredient = shelf.get(id);
		// Newest first.
		const pack = packs.find((each) => each.ingredientId === id);
		// Water from the tap has a price nobody looks up again.
		return ingredient &&
			!ingredient.mix &&
			ingredient.kind !== 'water' &&
			pack &&
			isStalePrice(pack.boughtOn, today(kitchen))
			? [ingredient]
			: [];
	});
	if (old.length === 0) return [];
	const [first] = old;
	return [
		{
			grave: false,
			href: old.length === 1 && first ? `/shelf/${first.id}` : '/shelf',
			what: old.length === 1 ? 'A price' : `${old.length} prices`,
			why: `older than ${PRICE_GOOD_DAYS} days, and costs go by it: ${someOf(old.map(({ name }) => name))}`
		}
	];
}

/** What is owed, and a yearly limit that is near. */
async function salesToSettle(db: Database, kitchen: Kitchen): Promise<Attention[]> {
	const [owed, { profile }] = await Promise.all([owedNow(db, kitchen.id), getProfile(db, kitchen.id)]);
	const found: Attention[] = [];
	if (owed.length > 0) {
		const sum = sumMoney(owed.map(({ amount }) => amount)).toFixed(2);
		found.push({
			grave: false,
			href: '/sales#owed',
			what: `${money(sum, kitchen.currency)} is owed`,
			why: `by ${someOf([...new Set(owed.map(({ customer }) => customer))])}`
		});
	}
	const limit = profile?.yearlyLimit ?? null;
	const day = today(kitchen);
	const last = await yearThatEnded(db, kitchen.id, day, limit);
	if (last)
		found.push({
			grave: true,
			href: `/sales/summary?year=${last.year}`,
			what: `The yearly limit of ${money(limit ?? '0', kitchen.currency)}`,
			why: `was passed in ${last.year}, at ${money(last.money, kitchen.currency)}: sales that came in late count in the year they were made in`
		});
	const year = await yearOfSales(db, kitchen.id, day, limit);
	if (year.limit !== null && year.left !== null && year.pace?.reachedOn)
		found.push({
			grave: new Money(year.left).lessThanOrEqualTo(0),
			href: '/sales/summary',
			what: `The yearly limit of ${money(year.limit, kitchen.currency)}`,
			why: new Money(year.left).lessThanOrEqualTo(0)
				? 'is reached: ask the local authority before more is sold'
				: `is reached on ${dayText(year.pace.reachedOn)} if sales go on so`
		});
	return found;
}

/** The first of some words, and how many more there are. */
function someOf(words: readonly string[]): string {
	const rest = words.length - MOST_NAMED;
	return words.slice(0, MOST_NAMED).join('; ') + (rest > 0 ? ` and ${rest} more` : '');
}
