import { cut } from '$core/measure/text.ts';
import type { FormulaDraft } from '../../formula/draft.ts';
import type { Database } from '../db/connection.ts';
import { madeOnce } from '../db/once.ts';
import { isDuplicate, refuse, Refused, Stale } from '../errors.ts';
import { newId, utcNow } from '../rows.ts';
import { insertFormula } from './insert.ts';
import { getFormula } from './read.ts';

/** Makes a formula that is only a draft yet, under a name that is free; its id, which makes one begun twice one. */
export async function startFormula(
	db: Database,
	kitchenId: string,
	draft: (id: string, name: string) => FormulaDraft,
	wanted: string,
	id = newId()
): Promise<string> {
	await underFreeName(db, kitchenId, wanted, async (name) => {
		await madeOnce(db, { table: 'formulas', kitchenId, id }, async (transaction) => {
			await insertFormula(transaction, kitchenId, id, name);
			await transaction('formulas')
				.where({ kitchen_id: kitchenId, id })
				.update({ draft: JSON.stringify(draft(id, name)) });
		});
	});
	return id;
}

/**
 * Does something under the wanted name, or with the first number that makes it new; again, where somebody took that name
 * between the reading of the names and the taking of one.
 */
export async function underFreeName(
	db: Database,
	kitchenId: string,
	wanted: string,
	act: (name: string) => Promise<unknown>
): Promise<void> {
	for (let attempt = 1; ; attempt++) {
		const taken = await db('formulas').where('kitchen_id', kitchenId).select('name');
		const name = freeName(
			wanted,
			taken.map((row) => row.name)
		);
		try {
			await act(name);
			return;
		} catch (problem) {
			const isTaken = problem instanceof Refused && problem.problems.some(({ path }) => path === 'name');
			if (!isTaken || attempt === MOST_ATTEMPTS) throw problem;
		}
	}
}

/** Twenty at once each have a name by then. */
const MOST_ATTEMPTS = 25;

/** The name, or with the first number that makes it new. */
export function freeName(wanted: string, taken: readonly string[]): string {
	const used = new Set(taken.map((name) => name.toLowerCase()));
	for (let number = 1; ; number++) {
		const name = number === 1 ? wanted : `${wanted} ${number}`;
		if (!used.has(name.toLowerCase())) return name;
	}
}

/**
 * Keeps what is typed in a sheet that was opened at `version`; the new record version. Throws `Stale`
 * with the present state when somebody saved in between.
 */
export async function saveDraft(
	db: Database,
	kitchenId: string,
	id: string,
	version: number,
	draft: FormulaDraft
): Promise<number> {
	const change = { draft: JSON.stringify(draft), version: version + 1, updated_at: utcNow() };
	const write = (more: { name?: string }) =>
		db('formulas')
			.where({ kitchen_id: kitchenId, id, version })
			.update({ ...change, ...more });
	const name = await ownName(db, kitchenId, id, draft.name);
	const changed = await write(name === null ? {} : { name }).catch((error: unknown) => {
		// Somebody gave another formula that name just now: this one keeps what it was called.
		if (name !== null && isDuplicate(error)) return write({});
		throw error;
	});
	if (changed === 0) throw new Stale(await getFormula(db, kitchenId, id));
	return version + 1;
}

/** What a formula without a version is called in every list: as it is typed, where no other is called so; else null. */
async function ownName(db: Database, kitchenId: string, id: string, typed: string): Promise<string | null> {
	const name = cut(typed.trim(), MOST_NAME);
	if (name === '') return null;
	const [kept, taken] = await Promise.all([
		db('formula_versions').where({ kitchen_id: kitchenId, formula_id: id }).first('id'),
		db('formulas').where({ kitchen_id: kitchenId, name }).whereNot('id', id).first('id')
	]);
	return kept || taken ? null : name;
}
const MOST_NAME = 160;

/** Drops what is typed and goes back to the newest kept version. Throws `Stale`; refuses where none is kept. */
export async function discardDraft(
	db: Database,
	kitchenId: string,
	id: string,
	version: number
): Promise<void> {
	const current = await getFormula(db, kitchenId, id);
	if (current.number === 0) refuse('', 'no version is kept yet: there is nothing to go back to');
	const changed = await db('formulas')
		.where({ kitchen_id: kitchenId, id, version })
		.update({ draft: null, version: version + 1, updated_at: utcNow() });
	if (changed === 0) throw new Stale(current);
}
